package riposo.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.net.ServerSocket;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import riposo.bench.Kills;

/** The server is killed while two devices post: nothing acknowledged is lost, nothing is twice. */
@Execution(ExecutionMode.CONCURRENT) // it waits for a server with data of its own
class KillsTest {
  private static final String OWNER = "owner@killed.example";
  private static final String PASSWORD = "killed-again-and-again";

  @TempDir File dir;

  @Test
  void whatWasAcknowledgedSurvivesFiveKillsAndIsThereOnce() throws Exception {
    int port;
    try (ServerSocket free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    String database =
        Objects.requireNonNull(System.getenv("RIPOSO_TEST_DB_BASE"), "run with ./riposo test");
    List<String> command =
        List.of(
            System.getProperty("java.home") + "/bin/java",
            "-XX:TieredStopAtLevel=1",
            "-Xmx400m",
            "-cp",
            System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
            "riposo.server.RiposoApplication",
            "--spring.datasource.url=" + database + "riposo_kills?createDatabaseIfNotExist=true",
            "--riposo.first.email=" + OWNER,
            "--riposo.first.password=" + PASSWORD,
            "--server.port=" + port);
    Kills.Outcome o =
        new Kills(command, "http://127.0.0.1:" + port, new File(dir, "server.log"))
            .run(OWNER, PASSWORD, 5);
    assertThat(o.kills()).isEqualTo(5);
    assertThat(o.acknowledged()).as("%s", o).isGreaterThan(20);
    assertThat(o.lost()).as("%s", o).isZero();
    assertThat(o.doubled()).as("%s", o).isZero();
    assertThat(o.sets()).as("%s", o).isZero();
  }
}
