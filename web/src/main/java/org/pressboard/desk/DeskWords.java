package org.pressboard.desk;

import java.util.Locale;
import org.pressboard.sheet.Words;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Component;

/** The desk's own words and numbers, for its templates. */
@Component("deskWords")
public class DeskWords {

    private final MessageSource messages;

    DeskWords(MessageSource messages) {
        this.messages = messages;
    }

    public Words forDesk() {
        return new Words(messages, Locale.UK);
    }
}
