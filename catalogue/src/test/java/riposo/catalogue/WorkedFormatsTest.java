package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.Performed;
import riposo.core.adapt.Pin;
import riposo.core.adapt.PlanAdapter;
import riposo.core.adapt.SessionFit;
import riposo.core.adapt.Standing;
import riposo.core.adapt.TodayDose;
import riposo.core.dose.Build;
import riposo.core.dose.Dose;
import riposo.core.dose.Weight;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Carry;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Kit;
import riposo.core.movement.Movement;
import riposo.core.movement.Support;
import riposo.core.movement.Tempo;
import riposo.core.plan.Block;
import riposo.core.plan.Format;
import riposo.core.plan.FormatKind;
import riposo.core.plan.Mobility;
import riposo.core.plan.Param;
import riposo.core.plan.PlanBlock;
import riposo.core.plan.PlanFault;
import riposo.core.plan.PlanTotals;
import riposo.core.plan.RoundChange;
import riposo.core.plan.Segment;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Sides;
import riposo.core.plan.Slot;
import riposo.core.plan.Stage;
import riposo.core.plan.Timeline;
import riposo.core.run.RunSheet;
import riposo.core.run.RunSheets;
import riposo.core.today.TodayCheck;
import riposo.core.wording.DoseWords;
import riposo.core.wording.Wording;

/**
 * What a format comes to, worked by hand (plans/worked.txt): the clock, its counts and the words of
 * the card, for nobody limited, for rest at least as long as work, and for a cap on holds. And the
 * sides of a slot, and what fits a session that is too long.
 */
class WorkedFormatsTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 24);
  private static final Catalogue CATALOGUE = CatalogueReader.shipped();
  private static final Adapter ADAPTER = new Adapter(CATALOGUE);
  private static final PlanAdapter PLANS = new PlanAdapter(ADAPTER);
  private static final Wording WORDS = new Wording(CATALOGUE);
  private static final Kitbag KIT =
      new Kitbag(EnumSet.allOf(Kit.class), List.of(new Weight(1000, 2), new Weight(2000, 2)));

  private static Limit limit(String axis, int cap) {
    return new Limit(
        UUID.nameUUIDFromBytes((axis + cap).getBytes()),
        axis,
        Side.BOTH,
        cap,
        Strength.FIRM,
        "physio letter",
        DAY,
        null,
        null);
  }

  private static Caps caps(String text) {
    List<Limit> limits = new ArrayList<>();
    if (!text.isBlank()) {
      String[] p = text.trim().split(" ");
      limits.add(limit(p[0], Integer.parseInt(p[1])));
    }
    return Caps.on(DAY, limits);
  }

  private static Format format(FormatKind kind, String text) {
    EnumMap<Param, Integer> values = new EnumMap<>(Param.class);
    List<Integer> ladder = new ArrayList<>();
    List<Side> phrase = new ArrayList<>();
    for (String part : text.isBlank() ? new String[0] : text.trim().split(" +")) {
      if (part.contains("=")) {
        values.put(Param.valueOf(part.split("=")[0]), Integer.valueOf(part.split("=")[1]));
      } else if (part.contains("/")) {
        Stream.of(part.split("/")).map(Integer::valueOf).forEach(ladder::add);
      } else {
        part.chars()
            .forEach(c -> phrase.add(c == 'L' ? Side.LEFT : c == 'R' ? Side.RIGHT : Side.BOTH));
      }
    }
    return new Format(kind, values, ladder, phrase);
  }

  private static Slot slot(FormatKind kind, String key, String movement) {
    List<Stage> stages =
        kind == FormatKind.STAGED
            ? List.of(
                new Stage(4, Stage.Part.FULL, Stage.Kind.REPS, Tempo.of("2-0-2-0")),
                new Stage(8, Stage.Part.LOW, Stage.Kind.PULSES, Tempo.of("1-0-0-0")),
                new Stage(1, Stage.Part.LOW, Stage.Kind.HOLD, Tempo.of("0-20-0-0")))
            : List.of();
    return new Slot(
        key,
        movement,
        kind == FormatKind.IN_TURN ? (Integer) 40 : null,
        kind == FormatKind.BY_COUNT ? (Integer) 8 : null,
        null,
        null,
        null,
        stages,
        List.of(),
        null);
  }

  private static SessionPlan plan(FormatKind kind, String numbers, String... movements) {
    List<Slot> slots = new ArrayList<>();
    for (String m : movements) {
      slots.add(slot(kind, "s" + (slots.size() + 1), m));
    }
    return new SessionPlan(
        List.of(PlanBlock.of("b", Block.WORK, format(kind, numbers), slots)), null);
  }

  private static ClientDay day(Caps caps) {
    return PLANS.day(new UUID(0, 1), caps, KIT, Map.of(), Mobility.USUAL);
  }

  /** "W40/10" 40 s of work and 10 repetitions, "W20L=15" left, held 15 s at a time, "R20" rest. */
  private static String clock(Timeline t) {
    return t.segments().stream()
        .map(
            g ->
                g.kind().name().charAt(0)
                    + ""
                    + g.length()
                    + (g.side() == Side.BOTH ? "" : g.side().name().substring(0, 1))
                    + (g.reps() == null ? "" : "/" + g.reps())
                    + (g.holdSeconds() == null ? "" : "=" + g.holdSeconds()))
        .collect(Collectors.joining(" "));
  }

  private static String card(AdaptedPlan a) {
    return a.slots().stream()
        .flatMap(s -> s.doses().stream())
        .map(d -> DoseWords.said(d, List.of(), Build.UNKNOWN))
        .distinct()
        .collect(Collectors.joining("; "));
  }

  static Stream<String> rows() {
    return CatalogueReader.resource("/plans/worked.txt")
        .lines()
        .filter(l -> !l.isBlank() && !l.startsWith("#"));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("rows")
  void clockCountsAndCardAreTheWorkedOnes(String row) {
    String[] c = row.split("\\|", -1);
    FormatKind kind = FormatKind.valueOf(c[0].trim());
    SessionPlan plan = plan(kind, c[1], c[2].trim().split(" +"));
    AdaptedPlan a = PLANS.adapt(plan, day(caps(c[3])), Map.of());
    assertThat(clock(a.timeline()) + " | " + card(a)).isEqualTo(c[4].trim() + " | " + c[5].trim());
  }

  /** Every format is in the table free, and with rest at least as long as work. */
  @ParameterizedTest
  @EnumSource(FormatKind.class)
  void everyFormatIsWorked(FormatKind kind) {
    assertThat(
            rows()
                .map(r -> r.split("\\|", -1))
                .filter(c -> c[0].trim().equals(kind.name()))
                .map(c -> c[3].trim().replaceAll(" .*", "")))
        .contains("", "session.work-per-rest", "hold");
  }

  private static SessionPlan sided(FormatKind kind, String numbers, String movement, Sides sides) {
    Slot s = slot(kind, "s1", movement).sides(sides);
    return new SessionPlan(
        List.of(PlanBlock.of("b", Block.WORK, format(kind, numbers), List.of(s))), null);
  }

  @ParameterizedTest(name = "{0}, {3}: {4}")
  @CsvSource(
      delimiter = '|',
      value = {
        "SETS | SETS=2 REPS=6 REST=10 BETWEEN=0 | side-lunge | | W24/6 R10 W24/6 | 2 × 6 reps, sides in turn",
        "SETS | SETS=2 REPS=6 REST=10 BETWEEN=0 | side-lunge | ONE_THEN_OTHER | W24L/6 W24R/6 R10 W24L/6 W24R/6 | 2 × 6 reps each side",
        "SETS | SETS=2 REPS=6 REST=10 BETWEEN=0 | side-lunge | BY_ROUND | W24L/6 R10 W24R/6 | 2 × 6 reps, one side a round",
        "SETS | SETS=2 REPS=6 REST=10 BETWEEN=0 | side-lunge | ONE_ONLY | W24L/6 R10 W24L/6 | 2 × 6 reps, left only",
        "SETS | SETS=1 REPS=6 REST=10 BETWEEN=0 | seated-knee-extension | IN_TURN | W24/6 | 1 × 6 reps, sides in turn",
        "SETS | SETS=1 REPS=6 REST=10 BETWEEN=0 | seated-knee-extension | | W24L/6 W24R/6 | 1 × 6 reps each side",
        "INTERVALS | WORK=40 REST=20 ROUNDS=2 | lunge-knee-lift | ONE_THEN_OTHER | W20L/5 W20R/5 R20 W20L/5 W20R/5 R20 | 2 × 20 s, about 5 reps each side",
        "INTERVALS | WORK=40 REST=20 ROUNDS=2 | cross-step | BY_ROUND | W40L/10 R20 W40R/10 R20 | 2 × 40 s, about 10 reps, one side a round",
        "INTERVALS | WORK=40 REST=20 ROUNDS=2 | l-raise | ONE_ONLY | W40L/10 R20 W40L/10 R20 | 2 × 40 s, about 10 reps, left only",
        "ROUNDS_POSSIBLE | CAP=60 REPS=5 | step-up | ONE_ONLY | W20L/5 W20L/5 W20L/5 | 1 × 5 reps, left only",
        "THROUGH_DAY | REPS=10 TIMES=2 | step-up | ONE_ONLY | | 2 × 10 reps, left only",
        "HOLDS | HOLD=40 REST=10 REPEATS=1 DROP_LAST_REST=1 | calf-stretch | | W40L=40 R10 W40R=40 | 1 × 40 s hold each side",
      })
  void theSidesOfASlotComeAsAsked(
      FormatKind kind, String numbers, String movement, Sides sides, String clock, String dose) {
    SessionPlan plan = sided(kind, numbers, movement, sides);
    assertThat(PlanFault.of(plan, PLANS::find)).isEmpty();
    AdaptedPlan a = PLANS.adapt(plan, day(Caps.on(DAY, List.of())), Map.of());
    assertThat(clock(a.timeline())).isEqualTo(clock == null ? "" : clock);
    assertThat(a.slots().get(0).doses())
        .extracting(
            d ->
                DoseWords.dose(d)
                    .replaceFirst(", (no weight|1 kg|with|about [^0-9]|about [0-9]+ %).*", ""))
        .containsExactly(dose);
    assertThat(a.slots().get(0).result().asAsked()).isTrue();
  }

  /** Whatever the movement and the way, a slot that may be asked for so is done so. */
  @Test
  void everyWayThatFitsAMovementIsOnItsClockAndEveryOtherIsRefused() {
    String numbers = "SETS=2 REPS=6 REST=10 BETWEEN=0";
    for (Movement m : CATALOGUE.movements()) {
      for (Sides s : Sides.values()) {
        SessionPlan plan = sided(FormatKind.SETS, numbers, m.id(), s);
        assertThat(PlanFault.of(plan, PLANS::find).isEmpty())
            .as("%s %s", m.id(), s)
            .isEqualTo(s.fits(m));
        if (!s.fits(m)) {
          continue;
        }
        List<Side> worked =
            PLANS.planned(plan).segments().stream()
                .filter(g -> g.kind() == Segment.Kind.WORK)
                .map(Segment::side)
                .toList();
        List<Side> wanted =
            switch (s) {
              case IN_TURN -> List.of(Side.BOTH, Side.BOTH);
              case ONE_THEN_OTHER -> List.of(Side.LEFT, Side.RIGHT, Side.LEFT, Side.RIGHT);
              case BY_ROUND -> List.of(Side.LEFT, Side.RIGHT);
              case ONE_ONLY -> List.of(Side.LEFT, Side.LEFT);
            };
        assertThat(worked).as("%s %s", m.id(), s).isEqualTo(wanted);
      }
    }
  }

  @Test
  void oneSideOnlyIsJudgedOnThatSideAndLeftOutOfTheComparison() {
    Limit left =
        new Limit(
            new UUID(0, 7),
            "joint.shoulder-elevation.added",
            Side.LEFT,
            60,
            Strength.FIRM,
            "physio letter",
            DAY,
            null,
            null);
    String numbers = "SETS=2 REPS=6 REST=10 BETWEEN=0";
    SessionPlan plan = sided(FormatKind.SETS, numbers, "one-arm-press", Sides.ONE_ONLY);
    AdaptedPlan a = PLANS.adapt(plan, day(Caps.on(DAY, List.of(left))), Map.of());
    assertThat(a.slots().get(0).result().parts()).hasSize(1);
    assertThat(a.slots().get(0).result().parts().get(0).side()).isEqualTo(Side.LEFT);
    assertThat(a.slots().get(0).result().asAsked()).isFalse();

    Slot right =
        new Slot(
            "s1", "one-arm-press", null, null, null, null, Side.RIGHT, List.of(), List.of(), null);
    SessionPlan other = plan.with(plan.blocks().get(0).with(List.of(right.sides(Sides.ONE_ONLY))));
    AdaptedPlan b = PLANS.adapt(other, day(Caps.on(DAY, List.of(left))), Map.of());
    assertThat(b.slots().get(0).result().asAsked()).isTrue();
    assertThat(b.slots().get(0).askedBroken()).isEmpty();
    assertThat(WORDS.reasons(b.slots().get(0))).isEmpty();
    List<String> said =
        PLANS.checks(other, PLANS.planned(other)).stream().map(Wording::check).toList();
    assertThat(said)
        .anyMatch(w -> w.contains("One side only: recorded"))
        .noneMatch(w -> w.contains("gets more"));
  }

  @Test
  void aPhraseOfBothArmsIsNotDoneOneSidedWhereThatIsClosed() {
    Map<String, String> clocks = new LinkedHashMap<>();
    for (String said : List.of("", "act.one-handed-load 0")) {
      SessionPlan plan = plan(FormatKind.PHRASE, "REPEATS=1 REST=0 LRB", "hinged-row");
      AdaptedPlan a = PLANS.adapt(plan, day(caps(said)), Map.of());
      clocks.put(said, clock(a.timeline()));
    }
    assertThat(clocks.get("")).isEqualTo("W4L/1 W4R/1 W4/1");
    assertThat(clocks.get("act.one-handed-load 0")).isEqualTo("W12/3");
  }

  /** Where both arms lift between one-handed parts, what may be held in all counts for both. */
  @Test
  void bothArmsOfAPhraseShareTheCapOnAllThatIsHeld() {
    Map<String, Standing> two =
        Map.of(
            "overhead",
            new Standing(
                "overhead",
                "one-arm-press",
                "one-arm-press",
                2000,
                null,
                null,
                "STAY",
                false,
                DAY));
    SessionPlan plan = plan(FormatKind.PHRASE, "REPEATS=2 REST=0 LRB", "one-arm-press");
    for (String cap : List.of("load.total 3000", "load.total 4000")) {
      ClientDay day = PLANS.day(new UUID(0, 1), caps(cap), KIT, two, Mobility.USUAL);
      int grams = PLANS.adapt(plan, day, Map.of()).slots().get(0).doses().get(0).grams();
      assertThat(grams).as(cap).isEqualTo(cap.endsWith("3000") ? 1000 : 2000);
    }
  }

  @Test
  void aHoldLastsAsAskedUnlessSomethingShortensItAndSaysWhat() {
    SessionPlan plan =
        plan(FormatKind.HOLDS, "HOLD=40 REST=10 REPEATS=1 DROP_LAST_REST=1", "wall-sit");
    AdaptedPlan free = PLANS.adapt(plan, day(caps("")), Map.of());
    assertThat(free.slots().get(0).doses().get(0).holdSeconds()).isEqualTo(40);
    assertThat(free.slots().get(0).cut()).isNull();
    AdaptedPlan capped = PLANS.adapt(plan, day(caps("hold 15")), Map.of());
    assertThat(WORDS.reasons(capped.slots().get(0)))
        .anyMatch(
            w ->
                w.equals(
                    "Held 15 s at a time, not 40 s: it asks for 40 s of still effort; limit 15 s"
                        + " (physio letter, until reviewed, firm)."));
    TodayDose short20 = new TodayDose(TodayCheck.Dose.AS_PLANNED, null, true, false);
    AdaptedPlan today = PLANS.adapt(plan, day(caps("")).with(short20), Map.of());
    assertThat(today.slots().get(0).doses().get(0).holdSeconds()).isEqualTo(20);
    assertThat(String.join(" ", WORDS.reasons(today.slots().get(0)))).contains("today's check");
    SessionPlan stretch =
        plan(FormatKind.HOLDS, "HOLD=40 REST=10 REPEATS=1 DROP_LAST_REST=1", "calf-stretch");
    AdaptedPlan mild = PLANS.adapt(stretch, day(caps("hold 15")).with(short20), Map.of());
    assertThat(mild.slots().get(0).doses().get(0).holdSeconds())
        .as("a mild stretch is no still effort")
        .isEqualTo(40);
  }

  @Test
  void aReplacementIsNotHeldForTheTimeAMovingExerciseWasAskedFor() {
    SessionPlan plan = plan(FormatKind.INTERVALS, "WORK=60 REST=20 ROUNDS=1", "squat");
    Pin pin =
        new Pin("s1", List.of(new Performed(Side.BOTH, "wall-sit", List.of(), 100)), Set.of());
    AdaptedPlan a = PLANS.adapt(plan, day(caps("")), Map.of("s1", pin));
    assertThat(a.slots().get(0).pinned()).isTrue();
    assertThat(a.slots().get(0).doses().get(0).holdSeconds())
        .as("its usual hold, 30 s, in an interval of 60")
        .isEqualTo(CATALOGUE.movement("wall-sit").demands().holdSeconds());
  }

  @ParameterizedTest
  @EnumSource(
      value = FormatKind.class,
      names = {"THROUGH_DAY", "ROUNDS_POSSIBLE", "WALK_IN", "STAGED", "PHRASE", "IN_TURN"},
      mode = EnumSource.Mode.EXCLUDE)
  void aSessionThatIsTooLongSaysWhatWouldFit(FormatKind kind) {
    Map<FormatKind, String> numbers = new EnumMap<>(FormatKind.class);
    rows()
        .map(r -> r.split("\\|", -1))
        .forEach(c -> numbers.putIfAbsent(FormatKind.valueOf(c[0].trim()), c[1]));
    SessionPlan plan =
        plan(kind, numbers.get(kind), "squat", "curl", "seated-knee-extension", "march");
    int minutes = (PLANS.planned(plan).total() + 59) / 60 - 1;
    ClientDay day = day(caps("session.minutes " + minutes));
    AdaptedPlan a = PLANS.adapt(plan, day, Map.of());
    assertThat(Wording.broken(a.session()).toString()).contains("limit " + minutes + " min");
    List<SessionFit> fits = PLANS.fits(plan, a, day, Map.of());
    assertThat(fits).isNotEmpty();
    for (SessionFit f : fits) {
      AdaptedPlan shorter = PLANS.adapt(f.plan(), day, Map.of());
      assertThat(shorter.session()).isEmpty();
      assertThat(shorter.timeline().total())
          .isEqualTo(f.seconds())
          .isLessThanOrEqualTo(60 * minutes);
      assertThat(WORDS.fit(f, plan)).startsWith("Fits with").contains(Wording.clock(f.seconds()));
    }
    ClientDay open = day(caps(""));
    assertThat(PLANS.fits(plan, PLANS.adapt(plan, open, Map.of()), open, Map.of())).isEmpty();
  }

  /** Only work is counted: warm-up and cool-down stay as they are. */
  @Test
  void restAtLeastAsLongAsWorkLeavesWarmUpAndCoolDown() {
    SessionPlan plan =
        SessionPlan.of(
            List.of(new Slot("w", "march", 300)),
            List.of(new Slot("a", "squat", null)),
            Format.intervals(40, 20, 1),
            List.of(new Slot("c", "seated-breathing", 180)));
    Timeline t = PLANS.adapt(plan, day(caps("session.work-per-rest 100")), Map.of()).timeline();
    assertThat(t.seconds(Block.WARM_UP)).isEqualTo(300);
    assertThat(t.segments().stream().filter(g -> g.block() != Block.WORK))
        .noneMatch(g -> g.kind() == Segment.Kind.REST);
  }

  /** Twelve kilograms of weights, and what the caps on a hand and on all that is held leave. */
  @ParameterizedTest(name = "{0} {1} at {2} g, {3}: {4}")
  @CsvSource(
      delimiter = '|',
      value = {
        "curl | EACH_HAND | 4000 | | 4 kg in each hand",
        "curl | EACH_HAND | 4000 | load.hand 3000 | 2 kg in each hand",
        "curl | EACH_HAND | 4000 | load.total 7000 | 2 kg in each hand",
        "goblet-squat | | 4000 | | 4 kg in both hands together",
        "goblet-squat | BOTH_HANDS | 4000 | load.hand 2000 | 4 kg in both hands together",
        "goblet-squat | BOTH_HANDS | 4000 | load.hand 1999 | 2 kg in both hands together",
        "goblet-squat | BOTH_HANDS | 4000 | load.total 3999 | 2 kg in both hands together",
        "goblet-squat | BOTH_HANDS | 4000 | load.hand 400 | no weight",
        "supported-row | TWO_IN_ONE | 6000 | | 6 kg in one hand, two weights",
        "supported-row | TWO_IN_ONE | 6000 | load.hand 5000 | 5 kg in one hand, two weights",
        "supported-row | TWO_IN_ONE | 6000 | load.total 2000 | 2 kg in one hand, two weights",
        "supported-row | TWO_IN_ONE | 1000 | | no weight",
        "supported-row | ONE_HAND | 6000 | | 4 kg in one hand",
        "seated-toes-heels | THIGHS | 2000 | | 2 kg on each thigh",
        "seated-toes-heels | THIGHS | 2000 | load.hand 500 | 2 kg on each thigh",
        "seated-toes-heels | THIGHS | 2000 | load.total 3000 | 1 kg on each thigh",
        "supine-bridge | HIPS | 4000 | load.total 3000 | 2 kg on the hips",
        "supine-bridge | HIPS | 4000 | load.from-floor 1000 | 1 kg on the hips",
        "squat | BACKPACK | 4000 | | 4 kg in a backpack",
        "squat | BACKPACK | 4000 | load.total 2500 | 2 kg in a backpack",
        "squat | BACKPACK | 4000 | joint.knee-flexion.added 60 | no weight",
      })
  void aWeightIsHeldAsAskedInsideTheCapsOnHandAndTotal(
      String movement, Carry carry, int target, String limits, String words) {
    Movement m = CATALOGUE.movement(movement);
    Map<String, Standing> known =
        Map.of(
            m.familyId(),
            new Standing(m.familyId(), movement, movement, target, null, null, "STAY", false, DAY));
    Kitbag kit =
        new Kitbag(
            EnumSet.allOf(Kit.class),
            List.of(new Weight(1000, 2), new Weight(2000, 2), new Weight(4000, 2)));
    Slot s = new Slot("s1", movement, null).carried(carry);
    SessionPlan plan =
        new SessionPlan(
            List.of(PlanBlock.of("b", Block.WORK, Format.intervals(40, 20, 1), List.of(s))), null);
    assertThat(PlanFault.of(plan, PLANS::find)).isEmpty();
    ClientDay day =
        PLANS.day(new UUID(0, 1), caps(limits == null ? "" : limits), kit, known, Mobility.USUAL);
    AdaptedSlot done = PLANS.adapt(plan, day, Map.of()).slots().get(0);
    assertThat(done.result().parts().get(0).movementId()).isEqualTo(movement);
    assertThat(DoseWords.dose(done.doses().get(0))).contains(words);
  }

  private static SessionPlan ramp(RoundChange... rounds) {
    Slot s = new Slot("s1", "goblet-squat", null).ramped(true, List.of(rounds));
    Format f = format(FormatKind.SETS, "SETS=3 REPS=8 REST=60 BETWEEN=0");
    return new SessionPlan(List.of(PlanBlock.of("b", Block.WORK, f, List.of(s))), null);
  }

  @Test
  void aRampIsBodyWeightThenAWeightThenSlowerAndNeverGoesDown() {
    Tempo slow = Tempo.of("4-0-2-0");
    SessionPlan up =
        ramp(
            new RoundChange(1, null, null, null, 0),
            new RoundChange(2, null, null, null, 1000),
            new RoundChange(3, null, null, slow, 1000));
    assertThat(PlanFault.of(up, PLANS::find)).isEmpty();
    AdaptedPlan a = PLANS.adapt(up, day(caps("")), Map.of());
    assertThat(a.slots())
        .extracting(s -> DoseWords.dose(s.doses().get(0)))
        .containsExactly(
            "1 × 8 reps, no weight",
            "1 × 8 reps, 1 kg in both hands together",
            "1 × 8 reps, 1 kg in both hands together");
    assertThat(clock(a.timeline())).isEqualTo("W32/8 R60 W32/8 R60 W48/8");

    assertThat(PlanFault.of(ramp(new RoundChange(2, null, null, null, 1000)), PLANS::find))
        .extracting(PlanFault::words)
        .first()
        .isEqualTo(
            "Sets that build up never take less: round 2 asks for 1 kg after the client’s own weight.");
    assertThat(
            PlanFault.of(
                ramp(
                    new RoundChange(1, null, null, null, 2000),
                    new RoundChange(2, null, null, null, 1000),
                    new RoundChange(3, null, null, null, 1000)),
                PLANS::find))
        .extracting(PlanFault::words)
        .containsExactly(
            "Sets that build up never take less: round 2 asks for 1 kg after 2 kg.",
            "Nothing builds up: give a round more weight or a slower tempo.");
    assertThat(
            PlanFault.of(
                ramp(
                    new RoundChange(1, null, null, slow, 1000),
                    new RoundChange(2, null, null, Tempo.of("2-0-2-0"), 1000),
                    new RoundChange(3, null, null, slow, 1000)),
                PLANS::find))
        .extracting(PlanFault::words)
        .containsExactly("Sets that build up are never quicker: round 2 is, at 2-0-2-0.");
  }

  @Test
  void aWeightAMovementCannotTakeIsRefused() {
    for (String[] c :
        new String[][] {
          {"march", "BACKPACK", "March in place takes no weight."},
          {"curl", "HIPS", "It can be: one in each hand."},
          {"squat", "EACH_HAND", "It can be: in a backpack."}
        }) {
      Slot s = new Slot("s1", c[0], null).carried(Carry.valueOf(c[1]));
      SessionPlan plan =
          new SessionPlan(
              List.of(PlanBlock.of("b", Block.WORK, Format.intervals(40, 20, 1), List.of(s))),
              null);
      assertThat(PlanFault.of(plan, PLANS::find).get(0).words()).endsWith(c[2]);
    }
  }

  @Test
  void oneWeightAskedOfLargeAndSmallMusclesIsRemarked() {
    for (String[] c :
        new String[][] {
          {"hinged-row side-raise", "2000 2000", "true"},
          {"hinged-row side-raise", "2000 1000", "false"},
          {"side-raise front-raise", "2000 2000", "false"},
          {"hinged-row dumbbell-hinge", "2000 2000", "false"}
        }) {
      List<Slot> slots = new ArrayList<>();
      for (int i = 0; i < 2; i++) {
        int grams = Integer.parseInt(c[1].split(" ")[i]);
        slots.add(
            new Slot(
                "s" + i,
                c[0].split(" ")[i],
                null,
                null,
                null,
                grams,
                null,
                List.of(),
                List.of(),
                null));
      }
      SessionPlan plan =
          new SessionPlan(
              List.of(PlanBlock.of("b", Block.WORK, Format.intervals(40, 20, 1), slots)), null);
      List<String> said =
          PLANS.checks(plan, PLANS.planned(plan)).stream().map(Wording::check).toList();
      assertThat(said.stream().anyMatch(w -> w.contains("small muscles take about half")))
          .as(c[0] + " " + c[1])
          .isEqualTo(Boolean.valueOf(c[2]));
    }
  }

  @ParameterizedTest(name = "{0} at {1} cm, {2}: {3}")
  @CsvSource(
      delimiter = '|',
      value = {
        "chair-seat-push-up | 45 | | 70 170 | hands at 45 cm, about 34 kg of body weight (between measured heights)",
        "counter-push-up | 90 | | 70 170 | hands at 90 cm, about 22 kg of body weight (estimate)",
        "counter-push-up | 75 | | 70 170 | hands at 75 cm, about 25 kg of body weight (estimate)",
        "counter-push-up | 75 | bearing.arm 17 | 70 170 | hands at 90 cm, about 22 kg of body weight (estimate)",
        "counter-push-up | 75 | bearing.arm 19 | 70 170 | hands at 75 cm, about 25 kg of body weight (estimate)",
        "chair-seat-push-up | 45 | | - 170 | hands at 45 cm, about half of body weight (between measured heights)",
        "counter-push-up | 75 | | 70 - | hands at 90 cm, about 22 kg of body weight",
        "counter-push-up | 100 | | 70 - | hands at 100 cm, about 22 kg of body weight",
        "stand-chair | 50 | | 70 - | seat 50 cm, about 62 kg of body weight",
        "step-up | 15 | | - - | step 15 cm, about 94 % of body weight",
        "squat | | | 80 - | about 70 kg of body weight",
      })
  void aHeightSaysTheShareInKilogramsAndHowSureItIs(
      String movement, Integer cm, String limits, String build, String words) {
    Slot s = new Slot("s1", movement, null).high(cm);
    SessionPlan plan =
        new SessionPlan(
            List.of(PlanBlock.of("b", Block.WORK, Format.intervals(40, 20, 1), List.of(s))), null);
    assertThat(PlanFault.of(plan, PLANS::find)).isEmpty();
    Integer[] of =
        Stream.of(build.split(" "))
            .map(x -> x.equals("-") ? null : Integer.valueOf(x))
            .toArray(Integer[]::new);
    Build body = new Build(of[0], of[1]);
    ClientDay day = day(caps(limits == null ? "" : limits)).with(body);
    AdaptedSlot done = PLANS.adapt(plan, day, Map.of()).slots().get(0);
    assertThat(done.result().asAsked()).isTrue();
    assertThat(DoseWords.dose(done.doses().get(0), List.of(), body)).endsWith(words);
  }

  /** Whatever the height, an arm bears no more than it may. */
  @Test
  void noHeightPutsMoreOnAnArmThanItMayBear() {
    for (Movement m : CATALOGUE.movements()) {
      Support s = m.support();
      if (s == null || s.kind() != Support.Kind.LEAN) {
        continue;
      }
      for (int cm = s.least(); cm <= s.most(); cm++) {
        for (int cap = 5; cap <= 40; cap += 5) {
          SessionPlan plan =
              new SessionPlan(
                  List.of(
                      PlanBlock.of(
                          "b",
                          Block.WORK,
                          Format.intervals(40, 20, 1),
                          List.of(new Slot("s1", m.id(), null).high(cm)))),
                  null);
          ClientDay day = day(caps("bearing.arm " + cap)).with(new Build(80, 165));
          AdaptedSlot done = PLANS.adapt(plan, day, Map.of()).slots().get(0);
          Dose d = done.doses().get(0);
          if (d.at() != null && done.result().parts().get(0).movementId().equals(m.id())) {
            assertThat(d.share() / 2 * 100)
                .as("%s at %d cm, cap %d %%", m.id(), cm, cap)
                .isLessThanOrEqualTo(cap + 1.0); // the catalogue rounds an arm's share to a percent
          }
        }
      }
    }
  }

  @Test
  void theLongestPhraseIsCountedWhole() {
    String pattern = "REPEATS=50 REST=0 LRLRLRLB";
    SessionPlan plan = plan(FormatKind.PHRASE, pattern, "one-arm-press");
    PlanTotals totals = PlanTotals.of(plan, PLANS.planned(plan), PLANS::find);
    // 4 s each: 4 left, 3 right and 1 of both in a phrase
    assertThat(List.of(totals.left(), totals.right(), totals.both(), totals.extra()))
        .isEqualTo(List.of(800, 600, 200, 0));
  }

  @Test
  void theCapOnTheRunIsThatOfTheWayItIsCarried() {
    Slot s = new Slot("s1", "squat", null).carried(Carry.BACKPACK);
    SessionPlan plan =
        new SessionPlan(
            List.of(PlanBlock.of("b", Block.WORK, Format.intervals(40, 20, 1), List.of(s))), null);
    RunSheets sheets = new RunSheets(CATALOGUE, ADAPTER);
    for (String[] c :
        new String[][] {{"load.total 2500", "2500"}, {"joint.knee-flexion.added 60", "0"}}) {
      ClientDay day = day(caps(c[0]));
      RunSheet sheet =
          sheets.one(new UUID(0, 2), "P", plan, PLANS.adapt(plan, day, Map.of()), day, 5, 0);
      assertThat(sheet.people().get(0).slots().get(0).parts().get(0).capLeft())
          .as(c[0])
          .isEqualTo(Integer.valueOf(c[1]));
    }
  }
}
