package org.pressboard.control;

import java.util.ArrayList;
import java.util.List;
import org.pressboard.form.Form;
import org.pressboard.value.Value;

/**
 * A form as somebody gets to see it.
 *
 * @param address where it is sent
 * @param parts   what it asks for, under the headings of its parts
 * @param token   says when it was begun
 * @param problem why it cannot be sent, or was not; empty: nothing is wrong
 * @param open    whether it can be sent at all
 * @param files   seals what the form carries along
 * @param moving  whether some questions hang on other answers
 */
public record AskedForm(Form form, String address, List<Part> parts, String token, String problem, boolean open,
                        boolean moving, SealedFiles files) {

    /** Questions under a heading; an empty one: none stands above them. */
    public record Part(String heading, List<Control> controls) {
    }

    /** Whether it takes pictures or files. */
    public boolean takesFiles() {
        return parts.stream().flatMap(part -> part.controls().stream())
                .anyMatch(control -> control.kind() == Control.Kind.FILES);
    }

    /** A file as the form carries it along. */
    public String carried(Value.Attachment file) {
        return files.carried(file);
    }

    static List<Part> parts(Form form, List<Control> controls) {
        List<Part> parts = new ArrayList<>();
        List<Control> current = new ArrayList<>();
        String heading = "";
        for (Control control : controls) {
            String begun = form.question(control.field().key()).map(question -> question.part()).orElse("");
            if (!begun.isEmpty()) {
                if (!current.isEmpty()) {
                    parts.add(new Part(heading, List.copyOf(current)));
                }
                current.clear();
                heading = begun;
            }
            current.add(control);
        }
        parts.add(new Part(heading, List.copyOf(current)));
        return parts;
    }
}
