package org.pressboard.filling;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.pressboard.files.Files;
import org.pressboard.files.KeptFile;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.sheet.NotThere;
import org.pressboard.sheet.Words;
import org.pressboard.signin.Seal;
import org.pressboard.signin.SignedIn;
import org.pressboard.signin.UploadGuard;
import org.pressboard.site.OpenForms;
import org.pressboard.site.PageClosed;
import org.pressboard.table.Attached;
import org.pressboard.table.Field;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;
import org.springframework.stereotype.Component;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.multipart.MultipartHttpServletRequest;

/**
 * Pictures and files that come with a form. Each is kept when it arrives, so that it survives whatever else is wrong; what
 * the form then carries along is sealed, so that nobody sends the name of a file that somebody else has brought.
 */
@Component
class FormFiles implements UploadGuard.Places {

    private static final Pattern ADDRESS = Pattern.compile("/([a-z][a-z0-9-]*)/send/([a-z0-9][a-z0-9-]*)");
    private static final int MOST_FILES = 5;

    /** All of what is sent at once: a file, and some room for the rest. */
    private static final long MOST_BYTES = Files.MOST_BYTES + 2L * 1024 * 1024;

    private final OpenForms forms;
    private final Files files;
    private final Seal seal;

    FormFiles(OpenForms forms, Files files, Seal seal) {
        this.forms = forms;
        this.files = files;
        this.seal = seal;
    }

    /** Before a byte is read: whether there is a form that takes files from whoever sends them, and they say how much. */
    @Override
    public boolean isTaken(HttpServletRequest request) {
        Matcher address = ADDRESS.matcher(request.getRequestURI());
        boolean isBounded = request.getContentLengthLong() >= 0 && request.getContentLengthLong() <= MOST_BYTES;
        if (!isBounded || !address.matches()) {
            return false;
        }
        try {
            OpenForms.Open open = forms.open(address.group(1), address.group(2), SignedIn.currentVisitor());
            return open.may() && open.sitting(Locale.ENGLISH).fields().stream()
                    .anyMatch(field -> field.type() instanceof Attached);
        } catch (NotThere | PageClosed closed) {
            return false;
        }
    }

    /**
     * What was sent, with files in the form in which fields have them.
     *
     * @param problem why a file was not taken; empty: all were
     */
    record Sent(MultiValueMap<String, String> parameters, String problem) {
    }

    Sent sent(List<Field> fields, MultiValueMap<String, String> parameters, HttpServletRequest request, Words words)
            throws IOException {
        MultiValueMap<String, String> all = new LinkedMultiValueMap<>(parameters);
        String problem = "";
        for (Field field : fields) {
            if (field.type() instanceof Attached attached) {
                List<String> lines = new ArrayList<>(parameters.getOrDefault("v." + field.key(), List.of()).stream()
                        .flatMap(sealed -> seal.check(sealed).stream()).toList());
                for (MultipartFile file : brought(field, request)) {
                    try {
                        lines.add(keep(file, attached));
                    } catch (ProblemsFound refused) {
                        problem = Files.named(Optional.ofNullable(file.getOriginalFilename()).orElse("")) + ": "
                                + words.say(refused.problems().all().getFirst());
                    }
                }
                int most = attached.isSeveral() ? MOST_FILES : 1;
                all.put("v." + field.key(), lines.subList(Math.max(0, lines.size() - most), lines.size()));
            }
        }
        return new Sent(all, problem);
    }

    private static List<MultipartFile> brought(Field field, HttpServletRequest request) {
        return request instanceof MultipartHttpServletRequest several ? several.getFiles("file." + field.key()).stream()
                .filter(file -> !file.isEmpty()).limit(MOST_FILES).toList() : List.of();
    }

    private String keep(MultipartFile file, Attached attached) throws IOException {
        String name = Files.named(Optional.ofNullable(file.getOriginalFilename()).orElse(""));
        try (InputStream in = file.getInputStream()) {
            KeptFile kept = files.keep(in, name);
            if (attached.isOfPictures() && !kept.isPicture()) {
                throw ProblemsFound.of("entry.no-picture", name);
            }
            return PlainForm.write(new Value.Attachment(kept.content(), name));
        }
    }
}
