package org.pressboard.files;

/**
 * A file as it is kept.
 *
 * @param content   the SHA-256 digest of its bytes, in hexadecimal digits
 * @param mediaType what it is, told by its bytes
 * @param size      how many bytes it has
 */
public record KeptFile(String content, String mediaType, long size) {

    /** Whether browsers show it as a picture. */
    public boolean isPicture() {
        return MediaTypes.PICTURES.contains(mediaType);
    }
}
