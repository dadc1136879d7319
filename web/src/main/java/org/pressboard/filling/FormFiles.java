package org.pressboard.filling;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.pressboard.control.SealedFiles;
import org.pressboard.editing.VisitorEditing;
import org.pressboard.files.Files;
import org.pressboard.files.KeptFile;
import org.pressboard.listing.Changing;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.words.Words;
import org.pressboard.signin.Seal;
import org.pressboard.signin.UploadGuard;
import org.pressboard.stand.Asking;
import org.pressboard.stand.NotThere;
import org.pressboard.stand.OpenForm;
import org.pressboard.stand.PageClosed;
import org.pressboard.stand.Stands;
import org.pressboard.table.Attached;
import org.pressboard.table.Field;
import org.pressboard.value.PlainForm;
import org.pressboard.value.Value;
import org.pressboard.visit.Visit;
import org.pressboard.visit.Visits;
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

    private static final Pattern FORM = Pattern.compile("/([a-z][a-z0-9-]*)/send/([a-z0-9][a-z0-9-]*)");
    private static final Pattern ROW = Pattern.compile("/listings/([a-z0-9][a-z0-9-]*)/rows/(add|\\d{1,18}/change)");

    private static final int MOST_IN_FIELD = 40;

    /** All of what is sent at once: a file, and some room for the rest. */
    private static final long MOST_BYTES = Files.MOST_BYTES + 2L * 1024 * 1024;

    private final Visits visits;
    private final Stands stands;
    private final VisitorEditing editing;
    private final Files files;
    private final Seal seal;

    FormFiles(Visits visits, Stands stands, VisitorEditing editing, Files files, Seal seal) {
        this.visits = visits;
        this.stands = stands;
        this.editing = editing;
        this.files = files;
        this.seal = seal;
    }

    /** Before a byte is read: whether there is a form that takes files from whoever sends them, and they say how much. */
    @Override
    public boolean isTaken(HttpServletRequest request) {
        boolean isBounded = request.getContentLengthLong() >= 0 && request.getContentLengthLong() <= MOST_BYTES;
        try {
            return isBounded && fields(request.getRequestURI(), visits.of(request)).stream()
                    .anyMatch(field -> field.type() instanceof Attached);
        } catch (NotThere | PageClosed closed) {
            return false;
        }
    }

    /** What somebody may fill in there; nothing where they may not. */
    private List<Field> fields(String address, Visit visit) {
        Matcher form = FORM.matcher(address);
        if (form.matches()) {
            OpenForm open = stands.published(visit, form.group(1)).form(form.group(2));
            return open.may() ? open.fields() : List.of();
        }
        Matcher row = ROW.matcher(address);
        if (!row.matches()) {
            return List.of();
        }
        Asking asking = stands.find(visit, row.group(1), Map.of());
        Changing changing = asking.listing().changing();
        boolean isNew = row.group(2).equals("add");
        boolean may = isNew ? changing.add() && editing.mayAdd(visit.visitor(), asking.table().key())
                : changing.change() && editing.mayChange(visit.visitor(), asking.table().key());
        return may ? changing.filled(asking.table(), asking.listing().shown()) : List.of();
    }

    /**
     * What was sent, with files in the form in which fields have them.
     *
     * @param problem why a file was not taken; empty: all were
     */
    record Sent(MultiValueMap<String, String> parameters, String problem) {
    }

    Sent sent(List<Field> fields, MultiValueMap<String, String> parameters, HttpServletRequest request, Words words) {
        MultiValueMap<String, String> all = new LinkedMultiValueMap<>(parameters);
        String problem = "";
        for (Field field : fields) {
            if (field.type() instanceof Attached attached) {
                List<String> lines = new ArrayList<>(parameters.getOrDefault("v." + field.key(), List.of()).stream()
                        .flatMap(sealed -> seal.check(sealed).stream()).toList());
                for (MultipartFile file : brought(field, request)) {
                    try {
                        take(file, attached, lines);
                    } catch (ProblemsFound refused) {
                        problem = Files.named(Optional.ofNullable(file.getOriginalFilename()).orElse("")) + ": "
                                + words.say(refused.problems().all().getFirst());
                    }
                }
                all.put("v." + field.key(), attached.isSeveral() || lines.isEmpty() ? lines : List.of(lines.getLast()));
            }
        }
        return new Sent(all, problem);
    }

    /** Where there is room for one, the last that comes is it. */
    private void take(MultipartFile file, Attached attached, List<String> lines) {
        if (attached.isSeveral() && lines.size() >= MOST_IN_FIELD) {
            throw ProblemsFound.of("entry.too-many-files", MOST_IN_FIELD);
        }
        String kept = keep(file, attached);
        if (!attached.isSeveral()) {
            lines.clear();
        }
        lines.add(kept);
    }

    private static List<MultipartFile> brought(Field field, HttpServletRequest request) {
        return request instanceof MultipartHttpServletRequest several ? several.getFiles("file." + field.key()).stream()
                .filter(file -> !file.isEmpty()).toList() : List.of();
    }

    private String keep(MultipartFile file, Attached attached) {
        String name = Files.named(Optional.ofNullable(file.getOriginalFilename()).orElse(""));
        try (InputStream in = file.getInputStream()) {
            KeptFile kept = attached.isOfPictures() ? files.keepPicture(in, name) : files.keep(in, name);
            return PlainForm.write(new Value.Attachment(kept.content(), name));
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }

    SealedFiles sealed() {
        return new SealedFiles(seal::on);
    }
}
