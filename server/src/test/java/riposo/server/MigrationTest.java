package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import riposo.server.platform.internal.V10__Runs;

/** What an upgrade makes of the data of the version before, in a database of its own. */
class MigrationTest {
  private static final String DOCUMENT = "hand" + "book";

  private JdbcTemplate sql;

  @BeforeEach
  void theVersionBefore() {
    sql = new JdbcTemplate(source("riposo_test"));
    sql.execute("drop database if exists riposo_migration");
    sql.execute("create database riposo_migration character set utf8mb4");
    sql = new JdbcTemplate(source("riposo_migration"));
    migrate("4");
  }

  @AfterEach
  void gone() {
    sql.execute("drop database riposo_migration");
  }

  private static DriverManagerDataSource source(String schema) {
    return new DriverManagerDataSource(
        System.getenv("RIPOSO_TEST_DB_BASE") + schema,
        System.getenv("RIPOSO_DB_USER"),
        System.getenv("RIPOSO_DB_PASSWORD"));
  }

  private void migrate(String target) {
    Flyway.configure()
        .dataSource(sql.getDataSource())
        .javaMigrations(new V10__Runs())
        .target(target)
        .load()
        .migrate();
  }

  private final UUID studio = UUID.randomUUID();
  private final UUID client = UUID.randomUUID();

  private void people() {
    sql.update(
        "insert into studio (id, name, zone, emergency_number, created_at) values (?, 'S', 'UTC', '112', now(6))",
        studio.toString());
    sql.update(
        "insert into client (id, studio_id, version, created_at, name, birth_date, mobility, school, usual_pain, goal_effort, no_progression, kit)"
            + " values (?, ?, 0, now(6), 'Ada', '1960-01-01', 'USUAL', 'PAIN_FREE', 0, 6, false, '{}')",
        client.toString(),
        studio.toString());
  }

  /** A verdict on a family after a run of that day. */
  private UUID verdict(String family, String day, String verdict, String status) {
    UUID run = UUID.randomUUID();
    UUID id = UUID.randomUUID();
    sql.update(
        "insert into run (id, studio_id, version, created_at, client_id, plan_id, plan_name, on_date, status, adapted, today, reviewed)"
            + " values (?, ?, 0, now(6), ?, ?, 'P', ?, 'FINISHED', '{}', '{}', false)",
        run.toString(),
        studio.toString(),
        client.toString(),
        UUID.randomUUID().toString(),
        day);
    sql.update(
        "insert into family_verdict (id, studio_id, version, created_at, client_id, run_id, family_id, on_date, asked_id, judgement, verdict, status)"
            + " values (?, ?, 0, now(6), ?, ?, ?, ?, 'squat', '{}', ?, ?)",
        id.toString(),
        studio.toString(),
        client.toString(),
        run.toString(),
        family,
        day,
        verdict,
        status);
    return id;
  }

  private Map<String, Object> row(UUID id) {
    return sql.queryForMap(
        "select status, decided, outcome, decided_on from family_verdict where id = ?",
        id.toString());
  }

  @Test
  void staysThatWaitAreSettledStopsAreNotAndWhatWasOvertakenAsksNothing() {
    people();
    UUID stay = verdict("push", "2026-11-01", "STAY", "WAITING");
    UUID old = verdict("pull", "2026-11-01", "EASE", "WAITING");
    UUID up = verdict("pull", "2026-11-08", "STEP_UP", "WAITING");
    UUID stop = verdict("hinge", "2026-11-01", "STOP_AND_REFER", "WAITING");
    UUID after = verdict("hinge", "2026-11-08", "STAY", "WAITING");
    UUID decided = verdict("hip", "2026-11-01", "STAY", "ACCEPTED");

    migrate("latest");

    assertThat(row(stay))
        .containsEntry("status", "SETTLED")
        .containsEntry("decided", "STAY")
        .containsEntry("outcome", null);
    assertThat(row(stay).get("decided_on")).hasToString("2026-11-01");
    assertThat(row(old)).containsEntry("status", "SUPERSEDED").containsEntry("decided", null);
    assertThat(row(up)).containsEntry("status", "WAITING");
    assertThat(row(stop)).as("a stop is never overtaken").containsEntry("status", "WAITING");
    assertThat(row(after)).containsEntry("status", "SETTLED");
    assertThat(row(decided)).containsEntry("status", "ACCEPTED");
  }

  private long count(String table) {
    return sql.queryForObject("select count(*) from " + table, Long.class);
  }

  /** Runs of before, from several clients, in the tables of before. */
  private int oldRuns() throws Exception {
    people();
    OldRuns old = new OldRuns();
    int runs = 0;
    for (int seed = 0; seed < 6; seed++) {
      List<OldRuns.Made> made = old.of(seed, 35);
      OldRuns.insert(sql, "", studio, client, UUID.randomUUID(), made);
      OldRuns.answers(sql, studio, client, made);
      runs += made.size();
    }
    return runs;
  }

  @Test
  void everyRunIsCarriedOverWithItsEventsAndSetsAndPointedAt() throws Exception {
    migrate("9");
    int runs = oldRuns();
    long events = count("run_event");
    long sets =
        sql.queryForObject(
            "select count(distinct run_id, json_value(body, '$.entry.slotKey'), json_value(body, '$.entry.round'),"
                + " json_value(body, '$.entry.side')) from run_event where kind = 'ENTRY'",
            Long.class);

    migrate("latest");

    assertThat(count("run")).isEqualTo(runs);
    assertThat(count("run_person")).isEqualTo(runs);
    assertThat(count("run_event")).isEqualTo(events);
    // what was logged of a rest is no set
    assertThat(count("run_set")).isBetween(sets * 9 / 10, sets).isGreaterThan(1000);
    assertThat(count("old_run")).as("the old ones stay").isEqualTo(runs);
    assertThat(count("check_in c join run r on r.id = c.run_id")).isEqualTo(count("check_in"));
    assertThat(count("run_event where kind = 'ENTRY' and person_id is null")).isZero();
    assertThat(count("run_event where device = ''")).isZero();
    assertThat(count("run_person where pain_before is null")).isPositive().isLessThan(runs);
    assertThat(count("run_person where pain_before = 0")).isPositive();
  }

  @Test
  void aMigrationThatWasCutShortIsRunAgainAndDoublesNothing() throws Exception {
    migrate("9");
    int runs = oldRuns();
    String last = sql.queryForObject("select id from run order by id desc limit 1", String.class);
    String good = sql.queryForObject("select adapted from run where id = ?", String.class, last);
    sql.update("update run set adapted = '{\"slots\":[{}' where id = ?", last);

    assertThatThrownBy(() -> migrate("latest")).hasStackTraceContaining(last);

    assertThat(count("run")).as("what was carried stays").isEqualTo(runs / 100 * 100);
    assertThat(count("old_run")).isEqualTo(runs);
    sql.update("update old_run set adapted = ? where id = ?", good, last);
    Flyway.configure()
        .dataSource(sql.getDataSource())
        .javaMigrations(new V10__Runs())
        .load()
        .repair();
    migrate("latest");
    assertThat(count("run")).isEqualTo(runs);
    assertThat(count("run_person")).isEqualTo(runs);
    assertThat(count("run_event")).isEqualTo(count("old_run_event"));
  }

  @Test
  void sourcesOfStoredFindingsNameNoDocumentThatDoesNotShip() {
    people();
    String assessment =
        "{\"findings\":[{\"rule\":\"a\",\"source\":\""
            + DOCUMENT
            + " 2\"},{\"rule\":\"b\",\"source\":\"Riebe 2015\"},{\"rule\":\"c\",\"source\":\"house rule, "
            + DOCUMENT
            + " 3, knee\"}]}";
    sql.update(
        "insert into screening (id, studio_id, version, created_at, client_id, number, taken_on, answers, assessment, signed_client, signed_professional, question_set)"
            + " values (?, ?, 0, now(6), ?, 1, '2026-11-01', '{}', ?, 'Ada', 'A', 2)",
        UUID.randomUUID().toString(),
        studio.toString(),
        client.toString(),
        assessment);

    migrate("latest");

    List<String> kept = sql.queryForList("select assessment from screening", String.class);
    assertThat(kept)
        .containsExactly(
            "{\"findings\":[{\"rule\":\"a\",\"source\":\"house rule\"},{\"rule\":\"b\",\"source\":\"Riebe 2015\"},{\"rule\":\"c\",\"source\":\"house rule\"}]}");
  }
}
