package riposo.server.checkin.internal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import riposo.core.run.Entry;
import riposo.core.run.RunEvent;
import riposo.core.screening.Outcome;
import riposo.core.tolerance.NextDay;
import riposo.core.tolerance.NextDay.Compared;
import riposo.core.tolerance.NextDay.More;
import riposo.core.tolerance.NextDay.Sign;
import riposo.server.PathDesk;
import riposo.server.checkin.CheckIns;
import riposo.server.platform.Problems;

/** A check-in asked, answered, changed, asked again at 72 h, and what it does. */
@SpringBootTest
class CheckInTest extends PathDesk {
  @Autowired CheckInService service;
  @Autowired AskViews views;
  @Autowired CheckInRows.CheckInStore store;
  @Autowired CheckIns.Effects effects;

  private static final NextDay FINE = new NextDay(0, Compared.SAME, false, Set.of());

  private static NextDay signs(Sign... signs) {
    return new NextDay(1, Compared.WORSE, false, Set.of(signs));
  }

  private CheckInRows.CheckIn of(UUID run, CheckIns.Kind kind) {
    return in(() -> store.findByRunIdAndClientIdAndKind(run, client, kind)).orElseThrow();
  }

  private AskViews.AskView view(UUID run) {
    UUID id = of(run, CheckIns.Kind.NEXT_DAY).id;
    return in(() -> views.ask(id));
  }

  private void ask(UUID run, CheckInRows.How how, NextDay answer) {
    UUID id = of(run, CheckIns.Kind.NEXT_DAY).id;
    in(
        () -> {
          service.ask(id, how, answer);
          return true;
        });
  }

  private static void refused(Runnable what, String code, String words) {
    assertThatThrownBy(what::run)
        .isInstanceOfSatisfying(
            Problems.class, p -> assertThat(p.code()).as(p.getMessage()).isEqualTo(code))
        .hasMessageContaining(words);
  }

  private UUID first() {
    screened();
    day(0);
    return session(5, 0, 0);
  }

  @Test
  void twoSignsStopTheFamiliesOfTheSessionAndAreShownAtOnce() {
    UUID run = first();
    day(1);
    morning(run, 1, Compared.WORSE, Sign.NUMBNESS, Sign.GIVING_WAY);
    AskViews.AskView v = view(run);
    assertThat(v.stands()).isEqualTo(AskViews.Stands.ANSWERED);
    assertThat(v.sentence()).contains("numbness; a joint gave way");
    assertThat(v.did())
        .isNotEmpty()
        .allSatisfy(d -> assertThat(d).contains(": stop and refer, it was "));
    assertThat(in(() -> verdicts.waiting()))
        .singleElement()
        .satisfies(w -> assertThat(w.stops()).isEqualTo(v.did().size()));
    List<CheckIns.Answer> today = in(() -> checkIns.answeredOn(studios.today()));
    assertThat(today).singleElement().satisfies(a -> assertThat(a.askedBy()).isNull());
  }

  @Test
  void anAnswerMayBeChangedForAnHourAndASignTakenBackStillStops() {
    UUID run = first();
    clock.shift(Duration.ofDays(1));
    morning(run, 2, Compared.SAME, Sign.NIGHT_PAIN);
    List<String> did = view(run).did();
    clock.shift(Duration.ofDays(1).plusMinutes(59));
    morning(run, 0, Compared.SAME);
    AskViews.AskView v = view(run);
    assertThat(v.sentence()).contains("Pain 0 of 10").contains("taken back within the hour");
    assertThat(v.toldBy()).contains("changed at");
    assertThat(v.did()).as("the stop stays").isEqualTo(did).isNotEmpty();
    clock.shift(Duration.ofDays(1).plusMinutes(61));
    refused(() -> morning(run, 0, Compared.SAME), "answered", "can be changed no more");
    assertThat(view(run).changeUntil()).isNull();
  }

  @Test
  void anAnswerIsChangedTenTimesAtMost() {
    UUID run = first();
    day(1);
    for (int i = 0; i <= NextDay.MOST_CHANGES; i++) {
      morning(run, i % 3, Compared.SAME);
    }
    refused(() -> morning(run, 0, Compared.SAME), "answered", "changed 10 times");
    assertThat(view(run).sentence()).startsWith("Pain 1 of 10");
  }

  @Test
  void earlyLateAndOverAreToldWithTheStudiosNameAndTheDay() {
    UUID run = first();
    refused(() -> morning(run, 0, Compared.SAME), "too-early", "Path asks this on ");
    day(3);
    morning(run, 0, Compared.SAME);
    UUID id = of(run, CheckIns.Kind.NEXT_DAY).id;
    CheckInController.Page page = in(() -> views.page(service.open(id), studios.current()));
    assertThat(page.daysLate()).isEqualTo(2);
    assertThat(page.studio()).isEqualTo("Path");
    assertThat(page.answer()).isEqualTo(FINE);
  }

  @Test
  void theLinkIsOverAfterThreeDaysAndAProfessionalMayAskForAWeek() {
    UUID run = first();
    day(4);
    refused(() -> morning(run, 0, Compared.SAME), "expired", "in person");
    assertThat(view(run).stands()).isEqualTo(AskViews.Stands.LINK_OVER);
    assertThat(view(run).link()).isNull();
    day(8);
    refused(() -> ask(run, CheckInRows.How.DOOR, FINE), "expired", "stays unanswered");
    day(7);
    ask(run, CheckInRows.How.DOOR, FINE);
    assertThat(view(run).toldBy()).contains("at the door, asked by tester");
    assertThat(in(() -> checkIns.mornings(client)).next()).containsEntry(run, FINE);
  }

  @Test
  void notAnsweredByNoonOfItsDayIsOnTheSheetAndNotBefore() {
    UUID run = first();
    LocalDate next = in(() -> studios.today()).plusDays(1);
    Instant noon = next.atTime(12, 0).atZone(ZoneId.of("Europe/Oslo")).toInstant();
    assertThat(in(() -> checkIns.waiting(noon.minusSeconds(1)))).isEmpty();
    assertThat(in(() -> checkIns.waiting(noon)))
        .singleElement()
        .satisfies(
            w -> {
              assertThat(w.session()).isEqualTo(next.minusDays(1));
              assertThat(w.linkOver()).isFalse();
            });
    Instant week = noon.plus(Duration.ofDays(6));
    assertThat(in(() -> checkIns.waiting(week)).get(0).linkOver()).isTrue();
    assertThat(in(() -> checkIns.waiting(week.plus(Duration.ofDays(1))))).isEmpty();
    day(1);
    morning(run, 0, Compared.SAME);
    assertThat(in(() -> checkIns.waiting(noon))).isEmpty();
  }

  @Test
  void aSecondOneComesAt72HoursWhereWantedAndTheWorseCounts() {
    screened();
    in(
        () -> {
          clients.setNoProgression(client, true);
          return true;
        });
    day(0);
    UUID run = session(5, 0, 0);
    day(1);
    morning(run, 0, Compared.SAME);
    CheckInRows.CheckIn second = of(run, CheckIns.Kind.SECOND);
    assertThat(second.opensOn).isEqualTo(second.session().plusDays(3));
    refused(() -> second(run, FINE), "too-early", "three days after the session");
    assertThat(in(() -> checkIns.mornings(client)).seconds().get(run).answer()).isNull();
    day(3);
    second(run, new NextDay(2, Compared.WORSE, false, Set.of()));
    assertThat(in(() -> effects.of(run, client)))
        .as("a third day worse by 2 eases")
        .isNotEmpty()
        .allSatisfy(d -> assertThat(d).contains(": ease, it was stay"));
  }

  private void second(UUID run, NextDay answer) {
    in(
        () -> {
          checkIns.answerSecond(run, client, answer);
          return true;
        });
  }

  @Test
  void anEmergencySignClosesStrengthWorkUntilAClearanceOrAWordOfTheSameDay() {
    UUID run = first();
    day(1);
    ask(run, CheckInRows.How.PHONE, signs(Sign.EMERGENCY));
    assertThat(in(() -> screening.of(client)).outcome()).isEqualTo(Outcome.CLEARANCE_ONLY);
    assertThat(view(run).emergency()).isTrue();
    UUID id = of(run, CheckIns.Kind.NEXT_DAY).id;
    day(2);
    refused(() -> inError(id), "too-late", "clearance opens this");
    day(1);
    inError(id);
    assertThat(in(() -> screening.of(client)).outcome()).isNotEqualTo(Outcome.CLEARANCE_ONLY);
    refused(() -> inError(id), "no-sign", "stands");
    assertThat(view(run).toldBy()).contains("told in error by tester: wrong line");
    assertThat(in(() -> verdicts.waiting()).get(0).stops()).as("verdicts stay").isPositive();
    morning(run, 1, Compared.WORSE, Sign.EMERGENCY);
    assertThat(in(() -> screening.of(client)).outcome())
        .as("told again it stands again")
        .isEqualTo(Outcome.CLEARANCE_ONLY);
  }

  private void inError(UUID id) {
    in(
        () -> {
          service.inError(id, "wrong line");
          return true;
        });
  }

  @Test
  void anAnswerAboutASessionWhoseSetsWereAllTakenBackIsKeptAndJudgesNothing() {
    UUID run = first();
    in(
        () -> {
          UUID who = runs.sheet(run).people().get(0).id();
          List<RunEvent> back = new ArrayList<>();
          runs.state(run).entries().stream()
              .map(k -> k.entry())
              .map(e -> Entry.of(e.slotKey(), e.round(), e.side()))
              .map(e -> e.telling(new Entry.Telling(null, null, null, null, true)))
              .forEach(
                  e ->
                      back.add(
                          new RunEvent.Logged(stamp(clock.millis(), 1000 + back.size()), who, e)));
          runs.record(run, back);
          return true;
        });
    day(1);
    morning(run, 4, Compared.WORSE, Sign.NUMBNESS);
    assertThat(view(run).did()).isEmpty();
    assertThat(in(() -> verdicts.waiting())).isEmpty();
    assertThat(in(() -> checkIns.mornings(client)).next().get(run).pain()).isEqualTo(4);
  }

  @Test
  void everythingToldIsKeptAndReadBack() {
    UUID run = first();
    day(1);
    NextDay told =
        new NextDay(
            2,
            Compared.WORSE,
            true,
            Set.of(),
            new More("left knee, back", 6, 4, 3, NextDay.Swelling.PASSED, "stairs were hard"),
            null);
    ask(run, CheckInRows.How.PHONE, told);
    assertThat(in(() -> checkIns.mornings(client)).next().get(run)).isEqualTo(told);
    assertThat(view(run).sentence())
        .isEqualTo(
            "Pain 2 of 10 (left knee, back), worse than before the session, much more tired."
                + " Swelling that passed. Told besides, of 10: sore 6, sleep 4, energy 3."
                + " “stairs were hard”");
  }
}
