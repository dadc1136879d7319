package org.pressboard.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The parts of the start command that only show when something goes wrong, with stand-ins for what they start. */
class StartCommandTest {

    private static final Path COMMAND = Path.of("../pressboard").toAbsolutePath().normalize();

    /** The functions of the command, without what it does at once. */
    private static final String FUNCTIONS = "source <(sed '/^command=/,$d' '" + COMMAND + "'); ";

    @TempDir
    private Path data;

    @Test
    void endingIsNotInterrupted() throws Exception {
        String said = bash(FUNCTIONS + "data='" + data + "'; cluster=x; "
                + "stop_cluster() { for i in 1 2 3; do kill -INT $$; kill -TERM $$; done; echo cluster stopped; }; "
                + "sleep 100 & app_pid=$!; echo $app_pid > \"$data/app.pid\"; "
                + "trap 'end; exit 130' INT; trap 'end; exit 0' TERM; trap end EXIT; kill -INT $$; wait");
        assertThat(said).contains("cluster stopped").contains("ended with 130");
        assertThat(data.resolve("app.pid")).doesNotExist();
    }

    @Test
    void outOfMemoryItIsStartedAgainButNotOverAndOver() throws Exception {
        Path java = executable("[ -e '" + data + "/second' ] && exit 0; touch '" + data + "/second'; exit 3");
        assertThat(running(java)).containsOnlyOnce("is started again").contains("ended with 0");
        Path always = executable("exit 3");
        assertThat(running(always)).contains("again and again").contains("ended with 1");
        Path broken = executable("exit 1");
        assertThat(running(broken)).doesNotContain("again").contains("ended with 1");
    }

    @Test
    void whatAKilledRunLeftIsRemovedBeforeTheStart() throws Exception {
        Files.createDirectories(data.resolve("scratch"));
        Files.writeString(data.resolve("scratch/upload"), "half a file");
        running(executable("exit 0"));
        assertThat(data.resolve("scratch/upload")).doesNotExist();
    }

    @Test
    void theDemoIsOfThisMachineOnlyUnlessSaidOtherwise() throws Exception {
        String choose = "run() { echo \"listens on $host\"; }; " + "eval \"$(sed -n '/^case $command in/,$p' '" + COMMAND
                + "' | sed -n '/demo)/,$p' | sed '1i case $command in')\"";
        assertThat(bash(FUNCTIONS + "command=demo; " + choose)).contains("listens on 127.0.0.1");
        assertThat(bash(FUNCTIONS + "command=demo; host=0.0.0.0; " + choose)).contains("listens on 0.0.0.0");
    }

    private String running(Path java) throws Exception {
        return bash(FUNCTIONS + "data='" + data + "'; app='" + data + "'; java='" + java + "'; java_options=(-Xmx1m); "
                + "result=0; keep_running -- --demo || result=$?; exit $result");
    }

    private Path executable(String script) throws IOException {
        Path file = Files.writeString(Files.createTempFile(data, "java", ""), "#!/bin/bash\n" + script + "\n");
        assertThat(file.toFile().setExecutable(true)).isTrue();
        return file;
    }

    private static String bash(String script) throws IOException, InterruptedException {
        Process process = new ProcessBuilder("env", "--default-signal=INT,TERM,HUP", "bash", "-c", script).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return said + "ended with " + process.waitFor();
    }
}
