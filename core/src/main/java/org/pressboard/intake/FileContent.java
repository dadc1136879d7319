package org.pressboard.intake;

import java.io.IOException;
import java.io.InputStream;

/** The bytes of a file that was brought, which can be read from the start as often as needed. */
public interface FileContent {

    InputStream open() throws IOException;
}
