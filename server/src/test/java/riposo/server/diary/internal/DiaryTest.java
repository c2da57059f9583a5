package riposo.server.diary.internal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import riposo.core.tolerance.NextDay;
import riposo.core.tolerance.NextDay.Compared;
import riposo.core.tolerance.NextDay.Sign;
import riposo.server.PathDesk;
import riposo.server.client.ClientData;
import riposo.server.diary.Diary;
import riposo.server.diary.Diary.Kind;
import riposo.server.platform.Problems;

/** What is beside the sessions, from everywhere it is known, and what was before a day. */
@SpringBootTest
class DiaryTest extends PathDesk {
  @Autowired DiaryService diary;
  @Autowired DiaryStore store;
  @Autowired List<ClientData> kept;

  private List<Diary.Mark> marks() {
    return in(() -> diary.marks(client, LocalDate.EPOCH));
  }

  private LocalDate today() {
    return in(() -> studios.today());
  }

  @Test
  void marksComeFromEntriesCheckInsAndSessionsInTimeOrder() {
    screened();
    day(0);
    UUID quiet = session(5, 0, 0);
    day(1);
    morning(quiet, 0, Compared.SAME);
    day(4);
    UUID hurt = session(5, 2, 0);
    day(5);
    in(
        () -> {
          checkIns.answer(
              hurt, client, new NextDay(3, Compared.WORSE, true, Set.of(Sign.SWELLING)));
          return true;
        });
    in(() -> diary.note(client, Kind.MEDICINE, today().minusDays(3), null, "beta-blocker halved"));
    in(() -> diary.note(client, Kind.HOLIDAY, today().plusDays(10), today().plusDays(20), null));
    assertThat(marks())
        .extracting(Diary.Mark::kind)
        .as("a quiet morning is no mark")
        .containsExactly(Kind.MEDICINE, Kind.SYMPTOM, Kind.HOLIDAY);
    Diary.Mark sign = marks().get(1);
    assertThat(sign.words()).contains("Pain 3 of 10, worse").contains("swelling that stays");
    assertThat(sign.grave()).isTrue();
    assertThat(sign.entryId()).as("only an own entry can be taken off").isNull();
    assertThat(in(() -> diary.marks(client, today().plusDays(15))))
        .as("what lasts into the span is in it")
        .extracting(Diary.Mark::kind)
        .containsExactly(Kind.HOLIDAY);
  }

  @Test
  void whatWasDifferentBeforeADayIsFactsWithTheirNumbers() {
    screened();
    for (int d = 0; d < 40; d += 4) {
      day(d);
      session(d < 30 ? 4 : 7, 0, 0);
    }
    in(() -> diary.note(client, Kind.HARD_DAY, today().minusDays(2), null, "moved house"));
    DiaryService.DayBefore v = in(() -> diary.before(client, today()));
    assertThat(v.lines())
        .anySatisfy(l -> assertThat(l).startsWith("Load of the 7 days up to"))
        .anySatisfy(
            l ->
                assertThat(l)
                    .isEqualTo(
                        "Effort of sessions, median of 14 days: 5.5 of 10 (n 4), 4 in the six weeks"
                            + " before (n 6)."))
        .anySatisfy(l -> assertThat(l).contains("Sleep, median of 14 days: 7 of 10"))
        .contains("No time away that ended in the 21 days.");
    assertThat(v.marked()).extracting(Diary.Mark::words).containsExactly("moved house");
    assertThat(v.caution()).contains("none of them is said to be the cause");
  }

  @ParameterizedTest(name = "{0} in {1} days, until {2} more, {3}: {4}")
  @CsvSource({
    "NOTE, 0, 0, '', /words",
    "NOTE, 1, 0, x, /on",
    "MEDICINE, -2000, 0, x, /on",
    "HOLIDAY, 400, 0, x, /on",
    "HOLIDAY, 3, -1, x, /until",
    "HOLIDAY, 3, 400, x, /until",
    "FALL, -1, 0, x, /kind",
    "MORNING, -1, 0, x, /kind"
  })
  void whatCannotBeIsRefusedAtItsField(Kind kind, int in, int more, String words, String at) {
    LocalDate on = today().plusDays(in);
    assertThatThrownBy(
            () ->
                in(() -> diary.note(client, kind, on, more == 0 ? null : on.plusDays(more), words)))
        .isInstanceOfSatisfying(
            Problems.class,
            p -> assertThat(p.fields()).extracting(Problems.Field::pointer).containsExactly(at));
    assertThat(marks()).isEmpty();
  }

  @Test
  void anEntryIsTakenOffByItsClientOnlyAndGoesWithThem() {
    UUID other = in(() -> clients.add(who("Bo Other", riposo.core.tolerance.School.PAIN_FREE)));
    UUID id = in(() -> diary.note(client, Kind.NOTE, today(), null, "new shoes"));
    assertThatThrownBy(() -> remove(other, id)).isInstanceOf(Problems.class);
    assertThat(marks()).hasSize(1);
    remove(client, id);
    assertThat(marks()).isEmpty();
    in(() -> diary.note(client, Kind.NOTE, today(), null, "to be erased"));
    ClientData mine = kept.stream().filter(k -> k.part().equals("diary")).findFirst().orElseThrow();
    assertThat(String.valueOf(in(() -> mine.export(client)))).contains("to be erased");
    assertThat(in(() -> mine.erase(client))).hasSize(1);
    assertThat(in(() -> store.findByClientIdOrderByOnDate(client))).isEmpty();
  }

  @Test
  void whatHappenedBeforeTheScreeningIsKeptAndAsksForScreeningAgainAsItWasNotKnownThen() {
    screened();
    LocalDate longAgo = today().minusDays(300);
    in(() -> diary.note(client, Kind.MEDICINE, longAgo, null, "years of it"));
    in(
        () -> {
          screening.happen(client, riposo.core.screening.Happened.FALL, longAgo, "told only now");
          return true;
        });
    assertThat(marks()).extracting(Diary.Mark::on).containsExactly(longAgo, longAgo);
    assertThat(in(() -> screening.of(client)).findings())
        .anySatisfy(f -> assertThat(f.rule()).isEqualTo("standing.rescreen.fall"));
    assertThat(in(() -> diary.before(client, longAgo)).lines())
        .as("nothing is known of that time, and that is said")
        .anySatisfy(l -> assertThat(l).contains("not told"));
  }

  private void remove(UUID of, UUID id) {
    in(
        () -> {
          diary.remove(of, id);
          return true;
        });
  }
}
