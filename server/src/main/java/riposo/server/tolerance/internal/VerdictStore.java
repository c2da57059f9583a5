package riposo.server.tolerance.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.VerdictStatus;
import riposo.server.platform.OncePerRead;
import riposo.server.platform.Store;
import riposo.server.tolerance.Verdicts;

interface VerdictStore extends Store<VerdictRow> {
  @Query("select v.id from FamilyVerdict v where v.clientId = :client")
  List<UUID> idsOf(UUID client);

  /** Deletes all of a client for good, at once. */
  @Modifying
  @Query("delete from FamilyVerdict v where v.clientId = :client")
  void eraseAll(UUID client);

  List<VerdictRow> findByRunIdAndClientIdOrderByFamilyId(UUID run, UUID client);

  List<VerdictRow> findByRunIdInOrderByFamilyId(Collection<UUID> runs);

  /** Those of the newest day of each family of each client that leave a standing. */
  @Query(
      "select v from FamilyVerdict v join (select w.clientId as client, w.leavesId as family, max(w.onDate) as day"
          + " from FamilyVerdict w where w.clientId in :clients"
          + " group by w.studioId, w.clientId, w.leavesId) t"
          + " on v.clientId = t.client and v.leavesId = t.family and v.onDate = t.day"
          + " order by v.onDate, v.createdAt")
  List<VerdictRow> ofTheNewestDayThatLeave(Collection<UUID> clients);

  /** The newest of each family of each client that leaves a standing. */
  default List<VerdictRow> standing(Collection<UUID> clients) {
    if (clients.size() > 1) {
      return last(ofTheNewestDayThatLeave(clients));
    }
    UUID client = clients.iterator().next();
    Map<String, LocalDate> days = new HashMap<>();
    for (FamilyDays d : days(client)) {
      if (d.left() != null) {
        days.put(d.family(), d.left());
      }
    }
    return of(client, days, v -> v.outcome != null);
  }

  /**
   * The newest day of a family, and the newest that leaves a standing; null where none does.
   *
   * @param family its id
   */
  record FamilyDays(String family, LocalDate newest, @Nullable LocalDate left) {}

  /** Days before the newest verdict in which most families are found. */
  int LATELY = 60;

  /** Of each family of a client; asked once in a read. */
  default List<FamilyDays> days(UUID client) {
    return OncePerRead.of(FamilyDays.class, client, () -> readDays(client));
  }

  /** Five years are looked through only for the families that leave nothing lately. */
  private List<FamilyDays> readDays(UUID client) {
    LocalDate newest = newestDay(client);
    if (newest == null) {
      return List.of();
    }
    List<FamilyDays> found =
        new ArrayList<>(
            daysSince(client, newest.minusDays(LATELY)).stream()
                .filter(d -> d.left() != null)
                .toList());
    List<String> known = found.stream().map(FamilyDays::family).toList();
    found.addAll(known.isEmpty() ? daysOfAll(client) : daysBut(client, known));
    return found;
  }

  @Query("select max(w.onDate) from FamilyVerdict w where w.clientId = :client")
  @Nullable LocalDate newestDay(UUID client);

  String DAYS =
      "select new riposo.server.tolerance.internal.VerdictStore$FamilyDays(w.familyId, max(w.onDate),"
          + " max(case when w.leavesId is null then null else w.onDate end))"
          + " from FamilyVerdict w where w.clientId = :client ";

  @Query(DAYS + "and w.onDate >= :since group by w.familyId")
  List<FamilyDays> daysSince(UUID client, LocalDate since);

  @Query(DAYS + "and w.familyId not in :known group by w.familyId")
  List<FamilyDays> daysBut(UUID client, Collection<String> known);

  @Query(DAYS + "group by w.familyId")
  List<FamilyDays> daysOfAll(UUID client);

  List<VerdictRow> findByClientIdAndOnDateInOrderByOnDateAscCreatedAtAsc(
      UUID client, Collection<LocalDate> days);

  /** The last of each family's day. */
  private List<VerdictRow> of(
      UUID client, Map<String, LocalDate> days, Predicate<VerdictRow> wanted) {
    return days.isEmpty()
        ? List.of()
        : last(
            findByClientIdAndOnDateInOrderByOnDateAscCreatedAtAsc(
                    client, days.values().stream().distinct().toList())
                .stream()
                .filter(v -> v.onDate.equals(days.get(v.familyId)))
                .filter(wanted)
                .toList());
  }

  /** The newest verdict of each family. */
  default List<VerdictRow> newest(UUID client) {
    Map<String, LocalDate> days = new HashMap<>();
    days(client).forEach(d -> days.put(d.family(), d.newest()));
    return of(client, days, v -> true);
  }

  /** Of each client and family the last. */
  private static List<VerdictRow> last(List<VerdictRow> inOrder) {
    Map<Object, VerdictRow> last = new LinkedHashMap<>();
    inOrder.forEach(v -> last.put(Map.entry(v.clientId, v.familyId), v));
    return List.copyOf(last.values());
  }

  /** A change that was decided after a run and is no weight and no rung. */
  record Taken(String familyId, UUID runId, Change.Kind kind) {}

  /** Those of a client's runs from a day on. */
  default List<Taken> taken(UUID client, LocalDate since) {
    return taken(
        client,
        since,
        Stream.of(Change.Kind.values())
            .filter(k -> k.gentle || k == Change.Kind.TWO_IN_ONE)
            .toList());
  }

  @Query(
      "select new riposo.server.tolerance.internal.VerdictStore$Taken(v.familyId, v.runId, v.taken)"
          + " from FamilyVerdict v where v.clientId = :client and v.onDate >= :since"
          + " and v.taken in :kinds")
  List<Taken> taken(UUID client, LocalDate since, Collection<Change.Kind> kinds);

  List<VerdictRow> findByClientIdAndOnDateBetweenOrderByOnDateAscCreatedAtAsc(
      UUID client, LocalDate since, LocalDate until);

  /** The days of the first and of the newest; null where there is none. */
  record Span(@Nullable LocalDate first, @Nullable LocalDate newest) {}

  @Query(
      "select new riposo.server.tolerance.internal.VerdictStore$Span(min(v.onDate), max(v.onDate))"
          + " from FamilyVerdict v where v.clientId = :client")
  Span span(UUID client);

  List<VerdictRow> findByClientIdAndStatusIn(UUID client, List<VerdictStatus> states);

  @Query(
      "from FamilyVerdict v where v.clientId = :client and (v.verdict = STOP_AND_REFER and v.status = WAITING"
          + " or v.decided = STOP_AND_REFER and v.status <> ENDED)")
  List<VerdictRow> stopsOf(UUID client);

  @Query("from FamilyVerdict v where v.verdict = STOP_AND_REFER and v.status = WAITING")
  List<VerdictRow> stopsWaiting();

  @Query("from FamilyVerdict v where v.decided = STOP_AND_REFER and v.status <> ENDED")
  List<VerdictRow> stopsDecided();

  /**
   * Stops and refers that stand, decided or not, in time order. They are few: those of many clients
   * are picked from all.
   */
  default List<VerdictRow> stops(Collection<UUID> clients) {
    Stream<VerdictRow> found =
        clients.size() == 1
            ? stopsOf(clients.iterator().next()).stream()
            : Stream.concat(stopsWaiting().stream(), stopsDecided().stream())
                .distinct()
                .filter(v -> clients.contains(v.clientId));
    return found
        .sorted(Comparator.comparing((VerdictRow v) -> v.onDate).thenComparing(v -> v.createdAt))
        .toList();
  }

  default List<VerdictRow> stops(UUID client) {
    return stops(List.of(client));
  }

  /** How many verdicts wait, a client a row, those with a stop first. */
  @Query(
      "select new riposo.server.tolerance.Verdicts$Waiting(v.clientId, cast(count(v) as integer),"
          + " cast(sum(case when v.verdict = STOP_AND_REFER then 1 else 0 end) as integer))"
          + " from FamilyVerdict v where v.status = WAITING group by v.clientId"
          + " order by max(case when v.verdict = STOP_AND_REFER then 1 else 0 end) desc, min(v.createdAt)")
  List<Verdicts.Waiting> waiting();
}
