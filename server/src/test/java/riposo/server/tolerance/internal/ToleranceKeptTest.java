package riposo.server.tolerance.internal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.transaction.support.TransactionTemplate;
import riposo.core.kit.Room;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.quantity.Pulse;
import riposo.core.run.RunEvent;
import riposo.core.tolerance.NextDay;
import riposo.core.typed.Days;
import riposo.server.PathDesk;
import riposo.server.limit.Limits;
import riposo.server.platform.Problems;
import riposo.server.platform.Stamps;
import riposo.server.platform.StudioContext;

/** The page of tolerance that is kept is never older than what happened, and nobody else's. */
@SpringBootTest
class ToleranceKeptTest extends PathDesk {
  private static final Room BARE =
      new Room(
          List.of(), List.of(), List.of(), List.of(), List.of(), true, null, Set.of(), List.of());

  @Autowired DecisionService decisions;
  @Autowired VerdictStore store;
  @Autowired VerdictData data;
  @Autowired VerdictViews views;
  @Autowired Reckoner reckoner;
  @Autowired Stamps stamps;

  private ToleranceViews.ToleranceView kept(@Nullable Integer weeks) {
    return in(() -> decisions.show(client, weeks));
  }

  private ToleranceViews.ToleranceView anew(@Nullable Integer weeks) {
    return anew(() -> decisions.show(client, weeks));
  }

  private void right(String after) {
    for (Integer weeks : new Integer[] {null, 1, 12}) {
      assertThat(kept(weeks)).as("%s weeks after %s", weeks, after).isEqualTo(anew(weeks));
    }
    assertThat(in(() -> standings.standings(client)))
        .as("where the client stands after %s", after)
        .isEqualTo(anew(() -> standings.standings(client)));
  }

  @Test
  void anExportInSpansWordsEveryVerdictAsTheWholeHistoryDoes() {
    screened();
    for (int ago : new int[] {400, 395, 281, 280, 279, 160, 121, 120, 119, 3}) {
      ended(ago, ago == 160 ? 9 : 4);
    }
    TransactionTemplate read = new TransactionTemplate(transactions);
    read.setReadOnly(true);
    List<VerdictViews.VerdictView> whole =
        in(
            () ->
                read.execute(
                    s -> {
                      Reckoner.Case all = reckoner.since(client, Days.FIRST);
                      return all.rows.stream().map(v -> views.view(v, all, all.history())).toList();
                    }));
    assertThat(whole).hasSizeGreaterThan(30);
    in(
        () ->
            read.execute(
                s -> {
                  VerdictData.Exported exported = (VerdictData.Exported) data.export(client);
                  assertThat(exported.verdicts()).containsExactlyElementsOf(whole);
                  return true;
                }));
  }

  private UUID ended(int daysAgo, int effort) {
    day(-daysAgo);
    UUID run = session(effort, 0, 2);
    day(0);
    return run;
  }

  @Test
  void whateverHappensThePageSaysWhatAFreshReadingSays() {
    screened();
    for (int ago : new int[] {70, 40, 12, 9, 6}) {
      ended(ago, 4);
    }
    UUID last = ended(3, 4);
    Map<String, Runnable> all = new LinkedHashMap<>();
    all.put("a morning", () -> morning(last, 6, NextDay.Compared.WORSE));
    all.put("verdicts accepted", this::acceptAll);
    all.put("a session", () -> ended(0, 9));
    all.put(
        "a session booked and missed",
        () ->
            does(
                () ->
                    appointments.add(client, plan, studios.today().minusDays(2), LocalTime.NOON)));
    all.put(
        "a limit",
        () ->
            does(
                () ->
                    limits.add(
                        client,
                        new Limits.NewLimit(
                            "joint.knee-flexion.any",
                            Side.BOTH,
                            30,
                            Strength.FIRM,
                            "Dr. X",
                            null,
                            studios.today(),
                            null,
                            null))));
    all.put("the effort aimed for", () -> does(() -> clients.setGoalEffort(client, 4)));
    all.put("no progression", () -> does(() -> clients.setNoProgression(client, true)));
    all.put(
        "a room of one's own",
        () -> does(() -> clients.setRoom(client, clients.addRoom("Home", client, BARE))));
    all.put(
        "an older session whose morning comes late",
        () -> morning(ended(1, 5), 0, NextDay.Compared.SAME));
    List<String> order = new ArrayList<>(all.keySet());
    Collections.shuffle(order, new Random(18));
    right("the beginning");
    assertThat(kept(12)).isSameAs(kept(12));
    List<String> refused = new ArrayList<>();
    List<String> shown = new ArrayList<>();
    ToleranceViews.ToleranceView before = kept(12);
    for (String what : order) {
      try {
        all.get(what).run();
      } catch (Problems e) {
        refused.add(what + ": " + e.getMessage()); // still to be seen right
      }
      right(what);
      if (!kept(12).equals(before)) {
        shown.add(what);
      }
      before = kept(12);
    }
    assertThat(shown)
        .as("refused: %s", refused)
        .contains("a morning", "a session booked and missed")
        .hasSizeGreaterThan(4);
    day(20);
    right("twenty days");
  }

  @Test
  void aRunThatGoesOnIsReadEveryTimeAndWhatComesLateIsSeen() {
    screened();
    UUID run = in(() -> runs.start(client, plan, GOOD, null));
    assertThat(kept(12).list().get(0).how()).isEqualTo(ToleranceViews.HeldHow.OPEN);
    over(run);
    right("the end of a run");
    assertThat(kept(12).list().get(0).how()).isNotEqualTo(ToleranceViews.HeldHow.OPEN);
    long stamp = in(() -> stamps.of(List.of(client))).get(client);
    does(
        () ->
            runs.record(
                run,
                List.of(
                    new RunEvent.PulseRead(
                        stamp(clock.millis(), 5),
                        client,
                        new Pulse(101),
                        RunEvent.PulseRead.From.STRAP,
                        4))));
    assertThat(in(() -> stamps.of(List.of(client))).get(client)).isGreaterThan(stamp);
    right("a pulse that came late");
  }

  @Test
  void anotherStudioIsNeverShownIt() {
    screened();
    ended(3, 4);
    kept(12);
    UUID other = studios.create("Beside", "Europe/Oslo", "112");
    assertThatThrownBy(
            () -> StudioContext.within(other, "tester", () -> decisions.show(client, 12)))
        .isInstanceOf(Problems.class);
  }

  /** The newest of each family by the index, against every verdict read. */
  @Test
  void theNewestAndTheNewestThatLeavesAreThoseOfAll() {
    screened();
    for (int ago : new int[] {30, 20, 10}) {
      ended(ago, 4);
      acceptAll();
    }
    day(-2);
    session(9, 6, 0); // to be eased: it leaves nothing while it waits
    day(0);
    TransactionTemplate read = new TransactionTemplate(transactions);
    read.setReadOnly(true);
    in(
        () ->
            read.execute(
                s -> {
                  Map<String, VerdictRow> newest = new LinkedHashMap<>();
                  Map<String, VerdictRow> leave = new LinkedHashMap<>();
                  for (VerdictRow v :
                      store.findByClientIdAndOnDateBetweenOrderByOnDateAscCreatedAtAsc(
                          client, Days.FIRST, Days.LAST)) {
                    newest.put(v.familyId, v);
                    if (v.outcome != null) {
                      leave.put(v.familyId, v);
                    }
                  }
                  assertThat(newest.size()).isGreaterThan(3);
                  assertThat(leave).isNotEqualTo(newest);
                  assertThat(store.newest(client))
                      .containsExactlyInAnyOrderElementsOf(newest.values());
                  assertThat(store.standing(List.of(client)))
                      .containsExactlyInAnyOrderElementsOf(leave.values());
                  return true;
                }));
  }

  @Test
  void whoNeverTrainedHasAnEmptyPage() {
    screened();
    ToleranceViews.ToleranceView none = kept(12);
    assertThat(none.sessions()).isZero();
    assertThat(none.since()).isNull();
    assertThat(none.away()).isEmpty();
    right("nothing");
  }
}
