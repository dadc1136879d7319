package org.pressboard.drawing;

/** The files that ship with the application, under addresses that change with each build. */
public record Assets(String version) {

    /** The address of one of them. */
    public String path(String file) {
        return "/assets/" + version + "/" + file;
    }
}
