package org.pressboard.files;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.pressboard.edition.Page;
import org.pressboard.edition.PageKey;
import org.pressboard.editing.RowEditing;
import org.pressboard.problem.Problem;
import org.pressboard.problem.ProblemsFound;
import org.pressboard.schema.TableChanges;
import org.pressboard.table.Attached;
import org.pressboard.table.Field;
import org.pressboard.table.Fields;
import org.pressboard.table.TableKey;
import org.pressboard.testing.StoreTest;
import org.pressboard.value.FieldKey;
import org.pressboard.value.RowId;
import org.pressboard.value.Value;
import org.springframework.beans.factory.annotation.Autowired;

class FilesTest extends StoreTest {

    @Autowired
    private Files files;

    @Autowired
    private TableChanges changes;

    @Autowired
    private RowEditing editing;

    private KeptFile keep(byte[] bytes, String name) throws IOException {
        return files.keep(new ByteArrayInputStream(bytes), name);
    }

    private static byte[] picture(int width, int height, String format) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), format, out);
        return out.toByteArray();
    }

    private byte[] given(KeptFile file) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        files.write(file, out);
        return out.toByteArray();
    }

    @Test
    void aFileComesOutAsItWentInAndIsKeptOnce() throws IOException {
        byte[] bytes = new byte[700_000];
        new Random(7).nextBytes(bytes);
        KeptFile kept = keep(bytes, "any.bin");
        assertThat(kept.isPicture()).isFalse();
        assertThat(given(kept)).isEqualTo(bytes);
        assertThat(keep(bytes, "other-name.bin")).isEqualTo(kept);
    }

    @Test
    void littleIsHeldOfAFileWhileSomebodyReadsIt() throws IOException {
        KeptFile kept = keep(new byte[700_000], "long.bin");
        files.write(kept, new OutputStream() {
            @Override
            public void write(int each) {
                throw new IllegalStateException("byte by byte");
            }

            @Override
            public void write(byte[] bytes, int offset, int length) {
                assertThat(bytes).hasSizeLessThanOrEqualTo(32 * 1024);
            }
        });
    }

    /** Kinds are told by content, whatever the name says. */
    @ParameterizedTest
    @CsvSource({"png,image/png", "jpg,image/jpeg", "gif,image/gif"})
    void picturesAreKnownByTheirBytesAndHaveSmallCopies(String format, String mediaType) throws IOException {
        KeptFile kept = keep(picture(1300, 650, format), "said-to-be.txt");
        assertThat(kept.mediaType()).isEqualTo(mediaType);
        BufferedImage small = ImageIO.read(new ByteArrayInputStream(files.thumbnail(kept.content(), 100).orElseThrow()));
        assertThat(List.of(small.getWidth(), small.getHeight())).containsExactly(192, 96);
        BufferedImage large = ImageIO.read(new ByteArrayInputStream(files.thumbnail(kept.content(), 800).orElseThrow()));
        assertThat(large.getWidth()).isEqualTo(960);
        assertThat(files.thumbnail(kept.content(), 2_000)).isEmpty();
    }

    @Test
    void drawingsAreMadeHarmless() throws IOException {
        String drawing = "<svg xmlns=\"http://www.w3.org/2000/svg\"><script>alert(1)</script><path d=\"M0 0\"/></svg>";
        KeptFile kept = keep(drawing.getBytes(StandardCharsets.UTF_8), "a.svg");
        assertThat(kept.mediaType()).isEqualTo("image/svg+xml");
        assertThat(new String(given(kept), StandardCharsets.UTF_8)).contains("<path").doesNotContain("script");
        assertThat(keep("<html><script>alert(1)</script></html>".getBytes(StandardCharsets.UTF_8), "b.png").isPicture())
                .isFalse();
    }

    @Test
    void whatCannotBeKeptIsRefused() throws IOException {
        byte[] broken = java.util.Arrays.copyOf(picture(300, 300, "png"), 60);
        assertThat(refusal(broken, "a.png")).isEqualTo(Problem.of("attachment.no-picture"));
        assertThat(refusal(new byte[0], "a.png")).isEqualTo(Problem.of("attachment.empty"));
        assertThat(refusal(new byte[Files.MOST_BYTES + 1], "a.bin"))
                .isEqualTo(Problem.of("attachment.too-large", Files.MOST_BYTES / 1024 / 1024));
    }

    private Problem refusal(byte[] bytes, String name) {
        Problem[] found = new Problem[1];
        assertThatThrownBy(() -> keep(bytes, name)).isInstanceOfSatisfying(ProblemsFound.class,
                problems -> found[0] = problems.problems().all().getFirst());
        return found[0];
    }

    @ParameterizedTest
    @CsvSource({"C:\\temp\\a b.png,a b.png", "/etc/passwd,passwd", "..,..", "'',file", "'a\nb.png',a b.png"})
    void namesAreOfNoFolder(String name, String plain) {
        assertThat(Files.named(name)).isEqualTo(plain);
        assertThat(Files.named("x".repeat(500) + ".jpeg")).hasSize(120).endsWith(".jpeg");
    }

    @Test
    void aRowTakesOnlyWhatIsThereAndOfItsKind() throws IOException {
        FieldKey shown = new FieldKey("shown");
        TableKey table = changes.make("Galleries", new Fields(List.of(
                new Field(shown, "Shown", new Attached.Pictures()))), OWNER).key();
        KeptFile picture = keep(picture(20, 20, "png"), "a.png");
        KeptFile text = keep("text".getBytes(StandardCharsets.UTF_8), "a.txt");
        assertThat(outcome(table, shown, new Value.Attachment("0".repeat(64), "gone.png")))
                .isEqualTo(new RowEditing.Outcome.Refused(Map.of(shown, Problem.of("entry.no-such-file", "gone.png"))));
        assertThat(outcome(table, shown, new Value.Attachment(text.content(), "a.txt")))
                .isEqualTo(new RowEditing.Outcome.Refused(Map.of(shown, Problem.of("entry.no-picture", "a.txt"))));
        Value both = new Value.Several(List.of(new Value.Attachment(picture.content(), "a.png"),
                new Value.Attachment("", "later.png")));
        RowId row = editing.add(table, Map.of(shown, both), OWNER).row();
        assertThat(editing.find(table, row).orElseThrow().find(shown)).contains(both);
        inTransaction(() -> sql.execute("update pressboard.file set added_at = now() - interval '2 days'"));
        files.removeUnused();
        assertThat(files.find(picture.content())).isPresent();
        assertThat(files.find(text.content())).isEmpty();
    }

    @Test
    void aPictureOfAPageStaysAsLongAsThePage() throws IOException {
        KeptFile picture = keep(picture(21, 20, "png"), "gate.png");
        PageKey key = new PageKey("gate");
        inTransaction(() -> {
            catalog.addPage(new Page(key, "Gate", List.of()).picturing(new Value.Attachment(picture.content(), "gate.png"), "", ""));
            files.use(key.name(), picture.content());
        });
        files.use(key.name(), picture.content());
        inTransaction(() -> sql.execute("update pressboard.file set added_at = now() - interval '2 days'"));
        files.removeUnused();
        assertThat(files.find(picture.content())).isPresent();
        inTransaction(() -> catalog.move(key, new PageKey("old-gate")));
        files.removeUnused();
        assertThat(files.find(picture.content())).isPresent();
        inTransaction(() -> sql.execute("delete from pressboard.page where key = 'old-gate'"));
        files.removeUnused();
        assertThat(files.find(picture.content())).isEmpty();
    }

    private RowEditing.Outcome outcome(TableKey table, FieldKey field, Value.Attachment file) {
        return editing.add(table, Map.of(field, new Value.Several(List.of(file))), OWNER).outcome();
    }

    /** What is parsed has bounds that are known before: a drawing of so many parts, or nested so deep, is not looked at. */
    @Test
    void drawingsThatAreTooLargeAreRefusedBeforeTheyAreLookedAt() throws IOException {
        String begin = "<svg xmlns='http://www.w3.org/2000/svg'>";
        assertThat(keep((begin + "<g/>".repeat(19_000) + "</svg>").getBytes(UTF_8), "some.svg").isPicture()).isTrue();
        for (String drawing : List.of(begin + "<g/>".repeat(20_001) + "</svg>", begin + "<g>".repeat(5_000) + "</g>".repeat(5_000) + "</svg>",
                begin + "<title>" + "x".repeat(1024 * 1024) + "</title></svg>", begin + "<g/>".repeat(5_000_000) + "</svg>")) {
            assertThatThrownBy(() -> keep(drawing.getBytes(UTF_8), "large.svg")).isInstanceOfSatisfying(ProblemsFound.class, found ->
                    assertThat(found.problems().all().getFirst().code()).isEqualTo("attachment.large-drawing"));
        }
    }

    /** Each waits where it came from until it is its turn to be held. */
    @Test
    void manyAtOnceAreHeldOneAfterTheOther() throws Exception {
        AtomicInteger begun = new AtomicInteger();
        AtomicInteger most = new AtomicInteger();
        List<CompletableFuture<KeptFile>> all = IntStream.range(0, 20).mapToObj(i -> CompletableFuture.supplyAsync(() -> {
            try {
                return files.keep(new InputStream() {
                    private int left = 2_000_000 + i;

                    @Override
                    public int read() {
                        if (left == 2_000_000 + i) {
                            most.accumulateAndGet(begun.incrementAndGet(), Math::max);
                        }
                        if (left == 0) {
                            begun.decrementAndGet();
                        }
                        return left-- > 0 ? 'x' : -1;
                    }
                }, "some.bin");
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
        })).toList();
        for (CompletableFuture<KeptFile> each : all) {
            assertThat(each.get().size()).isGreaterThan(1_999_999);
        }
        assertThat(most).hasValue(1);
    }
}
