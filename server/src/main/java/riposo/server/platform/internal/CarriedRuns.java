package riposo.server.platform.internal;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.catalogue.EventDocument;
import riposo.catalogue.OldRun;
import riposo.catalogue.RunDocument;
import riposo.core.run.DoneSet;
import riposo.core.run.RunEvent;
import riposo.core.run.RunState;
import riposo.server.platform.Owned;

/**
 * Carries runs from the tables of before into the new ones, a batch a transaction, leaving out what
 * was carried already, and checks that nothing was lost or doubled.
 */
public final class CarriedRuns {
  private static final int BATCH = 100;
  private static final int ROWS = 200;
  private static final String SOME_RUNS =
      "select id, studio_id, version, created_at, client_id, plan_id, plan_name, on_date, status, adapted, today,"
          + " reason, check_id, effort_after, feel, note, minutes from old_run o"
          + " where id > ? and not exists (select 1 from run r where r.id = o.id) order by id limit "
          + BATCH;

  private final Connection connection;
  private int sets;

  public CarriedRuns(Connection connection) {
    this.connection = connection;
  }

  private record Old(
      String id,
      String studio,
      long version,
      String createdAt,
      String client,
      String plan,
      String planName,
      String onDate,
      String status,
      String adapted,
      String today,
      @Nullable String reason,
      @Nullable String check,
      @Nullable Integer effortAfter,
      @Nullable String feel,
      @Nullable String note,
      @Nullable Integer minutes) {}

  private record OldEvent(String id, String receivedAt, String body) {}

  /**
   * Carries everything that is not carried yet.
   *
   * @return how many runs were carried now
   * @throws IllegalStateException naming the run that cannot be read, or the count that is not
   *     right; what was carried until then stays
   */
  public int carry() throws SQLException {
    int carried = 0;
    String after = "00000000-0000-0000-0000-000000000000";
    boolean auto = connection.getAutoCommit();
    connection.setAutoCommit(false);
    try {
      while (true) {
        List<Old> batch = some(after);
        if (batch.isEmpty()) {
          break;
        }
        write(batch, events(batch));
        connection.commit();
        carried += batch.size();
        after = batch.get(batch.size() - 1).id();
      }
      check();
      connection.commit();
    } catch (SQLException | RuntimeException e) {
      connection.rollback();
      throw e;
    } finally {
      connection.setAutoCommit(auto);
    }
    return carried;
  }

  private List<Old> some(String after) throws SQLException {
    List<Old> all = new ArrayList<>();
    try (PreparedStatement s = connection.prepareStatement(SOME_RUNS)) {
      s.setString(1, after);
      try (ResultSet rs = s.executeQuery()) {
        while (rs.next()) {
          all.add(
              new Old(
                  rs.getString(1),
                  rs.getString(2),
                  rs.getLong(3),
                  rs.getString(4),
                  rs.getString(5),
                  rs.getString(6),
                  rs.getString(7),
                  rs.getString(8),
                  rs.getString(9),
                  rs.getString(10),
                  rs.getString(11),
                  rs.getString(12),
                  rs.getString(13),
                  number(rs, 14),
                  rs.getString(15),
                  rs.getString(16),
                  number(rs, 17)));
        }
      }
    }
    return all;
  }

  private static @Nullable Integer number(ResultSet rs, int column) throws SQLException {
    int value = rs.getInt(column);
    return rs.wasNull() ? null : (Integer) value;
  }

  private Map<String, List<OldEvent>> events(List<Old> runs) throws SQLException {
    Map<String, List<OldEvent>> all = new HashMap<>();
    String places = "?" + ", ?".repeat(runs.size() - 1);
    try (PreparedStatement s =
        connection.prepareStatement(
            "select run_id, id, received_at, body from old_run_event where run_id in ("
                + places
                + ")")) {
      for (int i = 0; i < runs.size(); i++) {
        s.setString(i + 1, runs.get(i).id());
      }
      try (ResultSet rs = s.executeQuery()) {
        while (rs.next()) {
          all.computeIfAbsent(rs.getString(1), k -> new ArrayList<>())
              .add(new OldEvent(rs.getString(2), rs.getString(3), rs.getString(4)));
        }
      }
    }
    return all;
  }

  private void write(List<Old> runs, Map<String, List<OldEvent>> events) throws SQLException {
    List<@Nullable Object[]> run = new ArrayList<>();
    List<@Nullable Object[]> person = new ArrayList<>();
    List<@Nullable Object[]> event = new ArrayList<>();
    List<@Nullable Object[]> set = new ArrayList<>();
    for (Old o : runs) {
      try {
        carry(o, events.getOrDefault(o.id(), List.of()), run, person, event, set);
      } catch (RuntimeException e) {
        throw new IllegalStateException("run " + o.id() + " cannot be carried over", e);
      }
    }
    insert(
        "run",
        "id, studio_id, version, created_at, plan_id, plan_name, on_date, status, sheet, minutes, heard_at",
        run);
    insert(
        "run_person",
        "id, studio_id, version, created_at, run_id, client_id, on_date, check_id, reason, pain_before, dose, told, effort_cap, effort_after, feel, note",
        person);
    insert(
        "run_event",
        "id, studio_id, run_id, person_id, device, at_ms, seq, kind, body, received_at",
        event);
    insert(
        "run_set",
        "id, studio_id, run_id, client_id, on_date, family_id, movement_id, slot_key, round, side, place, effort, pain, reps, grams, body",
        set);
    sets += set.size();
  }

  private static void carry(
      Old o,
      List<OldEvent> events,
      List<@Nullable Object[]> run,
      List<@Nullable Object[]> person,
      List<@Nullable Object[]> event,
      List<@Nullable Object[]> set) {
    UUID client = UUID.fromString(o.client());
    OldRun old =
        OldRun.read(
            o.adapted(),
            o.today(),
            client,
            UUID.fromString(o.plan()),
            o.planName(),
            LocalDate.parse(o.onDate()));
    String heard = o.createdAt();
    List<RunEvent> read = new ArrayList<>();
    for (OldEvent e : events) {
      RunEvent r = OldRun.event(e.body(), UUID.fromString(e.id()), client);
      read.add(r);
      heard = e.receivedAt().compareTo(heard) > 0 ? e.receivedAt() : heard;
      UUID who =
          r instanceof RunEvent.Logged l
              ? l.person()
              : r instanceof RunEvent.Stop s ? s.person() : null;
      event.add(
          new @Nullable Object[] {
            e.id(),
            o.studio(),
            o.id(),
            who == null ? null : who.toString(),
            r.stamp().device(),
            r.at(),
            r.stamp().seq(),
            EventDocument.kind(r).name(),
            RunDocument.write(r),
            e.receivedAt()
          });
    }
    run.add(
        new @Nullable Object[] {
          o.id(),
          o.studio(),
          o.version(),
          o.createdAt(),
          o.plan(),
          o.planName(),
          o.onDate(),
          o.status(),
          RunDocument.write(old.sheet()),
          o.minutes(),
          heard
        });
    // a check is named by its row: what the picture said of it may be of a check that is gone
    person.add(
        new @Nullable Object[] {
          Owned.newId().toString(),
          o.studio(),
          0,
          o.createdAt(),
          o.id(),
          o.client(),
          o.onDate(),
          o.check(),
          o.reason(),
          old.painBefore(),
          old.dose() == null ? null : old.dose().name(),
          old.told(),
          old.sheet().people().get(0).effortCap(),
          o.effortAfter(),
          o.feel(),
          o.note()
        });
    RunState state =
        RunState.fold(
            old.sheet().timeline().segments(), old.sheet().ids(), read, Long.MAX_VALUE / 4);
    int place = 0;
    for (DoneSet s : old.sheet().sets(state)) {
      set.add(
          new @Nullable Object[] {
            Owned.newId().toString(),
            o.studio(),
            o.id(),
            o.client(),
            o.onDate(),
            s.familyId(),
            s.movementId(),
            s.slotKey(),
            s.round(),
            s.side().name(),
            place++,
            s.effort(),
            s.pain(),
            s.reps(),
            s.grams(),
            RunDocument.write(s)
          });
    }
  }

  private void insert(String table, String columns, List<@Nullable Object[]> rows)
      throws SQLException {
    int width = columns.split(",").length;
    String one = "(?" + ", ?".repeat(width - 1) + ")";
    for (int from = 0; from < rows.size(); from += ROWS) {
      List<@Nullable Object[]> some = rows.subList(from, Math.min(rows.size(), from + ROWS));
      try (PreparedStatement s =
          connection.prepareStatement(
              "insert into "
                  + table
                  + " ("
                  + columns
                  + ") values "
                  + one
                  + (", " + one).repeat(some.size() - 1))) {
        int i = 1;
        for (@Nullable Object[] row : some) {
          for (Object value : row) {
            s.setObject(i++, value);
          }
        }
        s.executeUpdate();
      }
    }
  }

  /** Every run once, for its one person, with every event; of no run more sets than were told. */
  private void check() throws SQLException {
    long runs = count("select count(*) from old_run");
    same("runs", runs, count("select count(*) from old_run o join run r on r.id = o.id"));
    same(
        "people",
        runs,
        count(
            "select count(*) from old_run o join run_person p on p.run_id = o.id and p.client_id = o.client_id"));
    same(
        "events",
        count("select count(*) from old_run_event"),
        count(
            "select count(*) from old_run_event o join run_event e on e.id = o.id and e.run_id = o.run_id"));
    same(
        "runs with sets told for nobody",
        0,
        count(
            "select count(distinct s.run_id) from run_set s join old_run o on o.id = s.run_id"
                + " where not exists (select 1 from old_run_event e where e.run_id = o.id and e.kind = 'ENTRY')"));
  }

  /** How many sets were written now. */
  public int sets() {
    return sets;
  }

  private long count(String sql) throws SQLException {
    try (Statement s = connection.createStatement();
        ResultSet rs = s.executeQuery(sql)) {
      rs.next();
      return rs.getLong(1);
    }
  }

  private static void same(String what, long before, long after) {
    if (before != after) {
      throw new IllegalStateException(
          "carried over are " + after + " " + what + ", there were " + before);
    }
  }
}
