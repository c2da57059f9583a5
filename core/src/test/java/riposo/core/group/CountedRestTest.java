package riposo.core.group;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.plan.Block;
import riposo.core.plan.Format;
import riposo.core.plan.FormatKind;
import riposo.core.plan.Mobility;
import riposo.core.plan.Param;
import riposo.core.plan.PlanBlock;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;

class CountedRestTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 24);

  private static SessionPlan plan(FormatKind kind) {
    Format f =
        kind == FormatKind.SETS
            ? new Format(
                kind,
                Map.of(Param.SETS, 2, Param.REPS, 8, Param.REST, 20, Param.BETWEEN, 20),
                List.of(),
                List.of())
            : Format.intervals(40, 20, 2);
    return new SessionPlan(
        List.of(PlanBlock.of("b", Block.WORK, f, List.of(new Slot("s", "squat", null)))), null);
  }

  private static Participant person(int n, String limits) {
    List<Limit> all = new ArrayList<>();
    for (String l : limits.isBlank() ? new String[0] : limits.split(";")) {
      String[] p = l.trim().split(" ");
      all.add(
          new Limit(
              new UUID(n, all.size()),
              p[0],
              Side.BOTH,
              Integer.parseInt(p[1]),
              Strength.FIRM,
              "letter",
              DAY,
              null,
              null));
    }
    return new Participant(
        new UUID(0, n), Caps.on(DAY, all), Set.of(), Map.of(), Map.of(), Mobility.USUAL);
  }

  /** The session takes 20 min, 30 with a rest as long as the work, 40 with twice that. */
  private static int seconds(int cap) {
    return cap == Integer.MAX_VALUE ? 1200 : cap == 100 ? 1800 : 2400;
  }

  @ParameterizedTest(name = "{0}: {1} | {2} -> {3}, {4}")
  @CsvSource({
    "SETS, '', '', -1, '', false",
    "SETS, session.work-per-rest 100, '', 100, 1, false",
    "SETS, session.work-per-rest 100, session.work-per-rest 50, 50, 1 2, false",
    "SETS, session.work-per-rest 100, session.minutes 30, 100, 1, false",
    "SETS, session.work-per-rest 100, session.minutes 29, -1, 1, true",
    "SETS, session.work-per-rest 100; session.minutes 25, '', -1, 1, true",
    "INTERVALS, session.work-per-rest 100, session.minutes 29, -1, '', false",
  })
  void theGroupTakesTheLongestRestAnyoneNeedsUnlessASessionWouldBeTooLong(
      FormatKind kind, String one, String two, int cap, String whose, boolean everyOther) {
    CountedRest r =
        CountedRest.of(
            plan(kind), List.of(person(1, one), person(2, two)), CountedRestTest::seconds);
    assertThat(r.cap()).isEqualTo(cap < 0 ? Integer.MAX_VALUE : cap);
    assertThat(r.whose())
        .isEqualTo(
            whose.isBlank()
                ? List.of()
                : java.util.Arrays.stream(whose.split(" "))
                    .map(n -> new UUID(0, Integer.parseInt(n)))
                    .toList());
    assertThat(r.everyOther()).isEqualTo(everyOther);
    assertThat(r.first() != null).isEqualTo(everyOther);
  }
}
