package org.pressboard.grant;

/** What a grant lets people do with rows. */
public enum Verb {
    SEE
}
