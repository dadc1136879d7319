package org.pressboard.bulk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.pressboard.memory.Budget;
import org.pressboard.turn.Busy;

class ScratchTest {

    @TempDir
    private Path folder;

    @Test
    void whatAKilledRunLeftIsRemovedAtTheStart() throws IOException {
        Files.writeString(folder.resolve("upload_1.tmp"), "half a file");
        Files.writeString(folder.resolve("take-away-1.csv"), "half a take-away");
        assertThat(new Scratch(new Budget(512L * 1024 * 1024), folder.toString()).folder()).isEmptyDirectory();
    }

    @Test
    void moreThanItMayTakeIsRefusedAndWhatIsGivenBackCanBeTakenAgain() {
        Scratch scratch = new Scratch(new Budget(512L * 1024 * 1024), folder.toString());
        long most = 4L * 1024 * 1024 * 1024;
        assertThatThrownBy(() -> scratch.take(most + 1)).isInstanceOf(Busy.class);
        scratch.take(1024);
        scratch.giveBack(1024);
        scratch.take(1024);
    }
}
