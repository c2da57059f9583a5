package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.JdbcTemplate;
import riposo.server.platform.StudioContext;
import riposo.server.platform.internal.CarriedRuns;
import riposo.server.run.Runs;
import riposo.server.tolerance.Verdicts;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The verdicts on runs that earlier versions stored, against those that the version which stored
 * them reached: verdict, rule, the numbers behind it, the change and why it is no step up.
 */
class VerdictsKeptTest extends ApiDesk {
  private static final Path BEFORE = Path.of("src/test/resources/verdicts-before.txt");
  private static final int CLIENTS = 16;
  private static final int RUNS = 16;

  @Autowired JdbcTemplate sql;
  @Autowired ApplicationEventPublisher publisher;
  @Autowired Verdicts verdicts;

  @Test
  void everyVerdictIsTheOneThatWasReachedBefore() throws Exception {
    UUID plan = post("/plans", PLAN).id();
    OldRuns old = new OldRuns();
    List<String> lines = new ArrayList<>();
    for (int c = 0; c < CLIENTS; c++) {
      String body =
          client("Old " + c, "1955-01-01")
              .replace("\"usualPain\":0", "\"usualPain\":" + c % 3)
              .replace("\"goalEffort\":6", "\"goalEffort\":" + (5 + c % 3));
      if (c % 4 == 3) {
        body =
            body.replace(
                "\"PAIN_FREE\"", "\"MONITORED\",\"schoolBy\":\"tendon, the physiotherapist\"");
      }
      Answer made = post("/clients", body);
      assertThat(made.status()).as(made.text()).isEqualTo(201);
      UUID client = made.id();
      List<OldRuns.Made> runs = old.of(c, RUNS);
      OldRuns.insert(sql, "old_", me.studioId(), client, plan, runs);
      carry();
      OldRuns.answers(sql, me.studioId(), client, runs);
      for (int i = 0; i < runs.size(); i++) {
        UUID run = runs.get(i).id();
        boolean accept = i % 5 == 4;
        StudioContext.within(
            me.studioId(),
            "tester",
            () -> {
              publisher.publishEvent(new Runs.RunClosed(run, client));
              if (accept) {
                verdicts.acceptAll(client);
              }
              return true;
            });
      }
      lines.addAll(lines(c, client, runs));
    }
    if (Boolean.getBoolean("riposo.verdicts.write")) {
      Files.write(BEFORE, lines);
    }
    assertThat(lines).hasSizeGreaterThan(500).isEqualTo(Files.readAllLines(BEFORE));
  }

  private void carry() throws SQLException {
    try (Connection c = Objects.requireNonNull(sql.getDataSource()).getConnection()) {
      assertThat(new CarriedRuns(c).carry()).isEqualTo(RUNS);
    }
  }

  private List<String> lines(int number, UUID client, List<OldRuns.Made> runs) throws Exception {
    List<String> lines = new ArrayList<>();
    for (int i = 0; i < runs.size(); i++) {
      for (Map<String, Object> row :
          sql.queryForList(
              "select family_id, verdict, status, decided, judgement, outcome from family_verdict"
                  + " where client_id = ? and run_id = ? order by family_id",
              client.toString(),
              runs.get(i).id().toString())) {
        JsonNode judgement = json.readTree(String.valueOf(row.get("judgement")));
        JsonNode outcome =
            row.get("outcome") == null
                ? json.createObjectNode()
                : json.readTree(String.valueOf(row.get("outcome")));
        if (outcome instanceof ObjectNode o) {
          o.remove("decidedOn");
        }
        lines.add(
            "client "
                + number
                + " run "
                + i
                + " "
                + row.get("family_id")
                + " "
                + row.get("verdict")
                + " "
                + judgement.path("rule").asString()
                + " "
                + judgement.path("change").path("kind").asString()
                + " "
                + row.get("status")
                + " "
                + digest(sorted(judgement) + sorted(outcome) + row.get("decided")));
      }
    }
    return lines;
  }

  /** The same text whatever the order of the fields. */
  private static String sorted(JsonNode n) {
    if (n.isObject()) {
      return n.propertyStream()
          .filter(p -> !p.getValue().isNull())
          .sorted(Map.Entry.comparingByKey())
          .map(p -> p.getKey() + "=" + sorted(p.getValue()))
          .toList()
          .toString();
    }
    return n.isArray()
        ? n.valueStream().map(VerdictsKeptTest::sorted).toList().toString()
        : n.toString();
  }

  private static String digest(String text) throws Exception {
    byte[] hash =
        MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
    return HexFormat.of().formatHex(hash, 0, 6);
  }
}
