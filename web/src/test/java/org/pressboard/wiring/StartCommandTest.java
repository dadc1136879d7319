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
    void whateverItEndsOfItIsStartedAgainAndNeverGivenUp() throws Exception {
        for (int code : new int[] {3, 137, 134, 2}) {
            Path java = executable("echo x >> '" + data + "/starts'; [ $(wc -l < '" + data + "/starts') -lt 12 ] && exit " + code + "; exit 0");
            String said = running(java);
            assertThat(said).contains("ended with 0");
            assertThat(said.split("is started again", -1)).hasSize(12);
            Files.delete(data.resolve("starts"));
        }
    }

    @Test
    void whatCannotBeStartedAndWhatWasAskedToEndIsNot() throws Exception {
        assertThat(running(executable("exit 1"))).doesNotContain("again").contains("ended with 1");
        assertThat(running(executable("exit 143"))).doesNotContain("again").contains("ended with 0");
        assertThat(running(executable("touch '" + data + "/stop'; exit 137"))).doesNotContain("again").contains("ended with 0");
    }

    /** A database that dies is started again on its port, as soon as it can be. */
    @Test
    void theDatabaseIsStartedAgain() throws Exception {
        String said = bash(FUNCTIONS + "cluster=x; sleep() { :; }; cluster_runs() { [ -e '" + data + "/runs' ]; }; "
                + "start_cluster_again() { echo x >> '" + data + "/tries'; [ $(wc -l < '" + data + "/tries') -ge 3 ] && touch '" + data
                + "/runs'; }; watch_cluster & watcher=$!; until [ -e '" + data + "/runs' ]; do command sleep 0.05; done; "
                + "command sleep 0.3; kill $watcher; wait $watcher || true");
        assertThat(said).containsOnlyOnce("has ended and is started again").contains("runs again");
        assertThat(Files.readAllLines(data.resolve("tries"))).hasSize(3);
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
        return bash(FUNCTIONS + "pause() { :; }; data='" + data + "'; app='" + data + "'; java='" + java + "'; java_options=(-Xmx1m); "
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
