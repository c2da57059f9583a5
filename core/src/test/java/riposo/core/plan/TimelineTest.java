package riposo.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import riposo.core.limit.Side;
import riposo.core.movement.Position;
import riposo.core.movement.Tempo;

class TimelineTest {
  private static final Tempo USUAL = Tempo.of("2-0-2-0");
  private static final int OPEN = Integer.MAX_VALUE;
  private final Map<String, Station> stations = new HashMap<>();

  private void station(String key, Position position, boolean oneSided, Tempo tempo) {
    Piece left = new Piece(Side.LEFT, position, tempo, null, false);
    Piece right = new Piece(Side.RIGHT, position, tempo, null, false);
    Piece both = new Piece(Side.BOTH, position, tempo, null, false);
    stations.put(
        key,
        new Station(key, oneSided, 20, tempo, oneSided ? List.of(left, right) : List.of(both)));
  }

  private List<Slot> slots(int n, Position position, boolean oneSided) {
    return IntStream.rangeClosed(1, n)
        .mapToObj(
            i -> {
              station("s" + i, position, oneSided, USUAL);
              return new Slot("s" + i, "m" + i, 60);
            })
        .toList();
  }

  /** "WORK=50,REST=10,ROUNDS=2"; a ladder as "60/50/40"; a phrase as "LRB". */
  static Format format(FormatKind kind, String text) {
    EnumMap<Param, Integer> values = new EnumMap<>(Param.class);
    List<Integer> ladder = new ArrayList<>();
    List<Side> phrase = new ArrayList<>();
    for (String part : text.isBlank() ? new String[0] : text.trim().split(" +")) {
      if (part.contains("=")) {
        values.put(Param.valueOf(part.split("=")[0]), Integer.valueOf(part.split("=")[1]));
      } else if (part.contains("/")) {
        for (String w : part.split("/")) {
          ladder.add(Integer.valueOf(w));
        }
      } else {
        part.chars()
            .forEach(c -> phrase.add(c == 'L' ? Side.LEFT : c == 'R' ? Side.RIGHT : Side.BOTH));
      }
    }
    return new Format(kind, values, ladder, phrase);
  }

  private Timeline compile(PlanBlock b, Integer beat, int cap, Mobility mobility) {
    return Timeline.compile(new SessionPlan(List.of(b), beat), stations::get, cap, mobility);
  }

  private Timeline intervals(List<Slot> slots, int work, int rest, int rounds, int cap) {
    return compile(
        PlanBlock.of("b", Block.WORK, Format.intervals(work, rest, rounds), slots),
        null,
        cap,
        Mobility.USUAL);
  }

  /** The worked checks that need no more than a format and a number of movements. */
  @ParameterizedTest(name = "{0}, {1} movements, {2} = {3} s")
  @CsvSource({
    "INTERVALS, 10, WORK=50 REST=10 ROUNDS=2, 1200, 1000",
    "PAIRED, 6, WORK=45 REST=15 ROUNDS=2, 720, 540",
    "BLOCKS, 10, WORK=30 REST=20 ROUNDS=2 SIZE=5 LONG_REST=45, 1135, 600",
    "BURSTS, 2, WORK=20 REST=10 ROUNDS=8, 240, 160",
    "LADDER, 5, 60/50/40/30/20, 1180, 1000",
    "STRENGTH_PULSE, 6, WORK=60 BURST=30 REST=0 ROUNDS=2, 540, 540",
    "HOLDS, 1, HOLD=10 REST=10 REPEATS=5 DROP_LAST_REST=0, 100, 50",
    "HOLDS, 1, HOLD=10 REST=10 REPEATS=5 DROP_LAST_REST=1, 90, 50",
    "ROUNDS_POSSIBLE, 3, CAP=1200 REPS=10, 1200, 1200",
    "WALK_IN, 1, ON=90 OFF=30 REPEATS=4, 480, 360",
    "GROWING, 2, WORK=60 PAIR=4 REST=0 ROUNDS=1, 60, 60",
    "PHRASE, 1, REPEATS=8 REST=0 LRB, 96, 96",
    "GATHER, 1, TOTAL=30 SET_SIZE=5 REST=20, 220, 120",
    "IN_TURN, 5, '', 300, 300",
    "THROUGH_DAY, 5, REPS=10 TIMES=1, 0, 0",
  })
  void workedTotals(FormatKind kind, int n, String numbers, int total, int work) {
    Timeline t =
        compile(
            PlanBlock.of("b", Block.WORK, format(kind, numbers), slots(n, Position.CHAIR, false)),
            null,
            OPEN,
            Mobility.USUAL);
    assertThat(List.of(t.total(), t.workSeconds())).isEqualTo(List.of(total, work));
    assertThat(t.estimated()).isEqualTo(kind.estimated());
  }

  @Test
  void setsAndRepsGiveEachSideItsOwn() {
    Format f = format(FormatKind.SETS, "SETS=2 REPS=10 REST=45 BETWEEN=0");
    station("s1", Position.CHAIR, false, Tempo.of("3-0-1-0"));
    station("s2", Position.CHAIR, true, Tempo.of("3-0-1-0"));
    PlanBlock both = PlanBlock.of("b", Block.WORK, f, List.of(new Slot("s1", "m", null)));
    PlanBlock one = PlanBlock.of("b", Block.WORK, f, List.of(new Slot("s2", "m", null)));
    assertThat(compile(both, null, OPEN, Mobility.USUAL).total()).isEqualTo(125);
    Timeline t = compile(one, null, OPEN, Mobility.USUAL);
    assertThat(t.workSeconds()).isEqualTo(160);
    assertThat(t.total()).isEqualTo(205);
    assertThat(t.segments())
        .filteredOn(g -> g.kind() == Segment.Kind.WORK)
        .extracting(Segment::reps)
        .containsExactly(10, 10, 10, 10);
  }

  @Test
  void aCircuitByCountTakesEachMovementsOwnTempo() {
    station("s1", Position.STANDING, false, Tempo.of("4-4-1-0"));
    station("s2", Position.STANDING, false, USUAL);
    station("s3", Position.STANDING, false, USUAL);
    List<Slot> slots = List.of(counted("s1", 8), counted("s2", 10), counted("s3", 12));
    Timeline t =
        compile(
            PlanBlock.of("b", Block.WORK, format(FormatKind.BY_COUNT, "ROUNDS=1 REST=0"), slots),
            null,
            OPEN,
            Mobility.USUAL);
    assertThat(t.segments()).extracting(Segment::length).containsExactly(72, 40, 48);
    assertThat(t.total()).isEqualTo(160);
  }

  private static Slot counted(String key, int reps) {
    return new Slot(key, "m", null, reps, null, null, null, List.of(), List.of(), null);
  }

  @ParameterizedTest(name = "108 counts at {0} a minute = {1} s")
  @CsvSource({"60, 108", "100, 65"})
  void aStagedSetFollowsTheBeat(int beat, int seconds) {
    List<Stage> stages =
        List.of(
            stage(4, "2-0-2-0", Stage.Kind.REPS),
            stage(4, "3-0-1-0", Stage.Kind.REPS),
            stage(4, "1-0-3-0", Stage.Kind.REPS),
            stage(8, "1-0-1-0", Stage.Kind.REPS),
            stage(8, "1-0-0-0", Stage.Kind.PULSES),
            stage(16, "1-0-1-0", Stage.Kind.REPS),
            stage(1, "0-4-0-0", Stage.Kind.HOLD));
    assertThat(stages.stream().mapToInt(Stage::counts).sum()).isEqualTo(108);
    station("s1", Position.STANDING, false, USUAL);
    Slot s = new Slot("s1", "m", null, null, null, null, null, stages, List.of(), null);
    Timeline t =
        compile(
            PlanBlock.of("b", Block.WORK, format(FormatKind.STAGED, "ROUNDS=1 REST=0"), List.of(s)),
            beat,
            OPEN,
            Mobility.USUAL);
    assertThat(t.total()).isEqualTo(seconds);
    assertThat(t.segments()).extracting(Segment::stage).containsExactly(0, 1, 2, 3, 4, 5, 6);
  }

  private static Stage stage(int count, String tempo, Stage.Kind kind) {
    return new Stage(count, Stage.Part.FULL, kind, Tempo.of(tempo));
  }

  @Test
  void countsThatGrowAddUpToFifteenPairsAndAPhraseToSixteenPulls() {
    Timeline t =
        compile(
            PlanBlock.of(
                "b",
                Block.WORK,
                format(FormatKind.GROWING, "WORK=60 PAIR=4 REST=0 ROUNDS=1"),
                slots(2, Position.CHAIR, false)),
            null,
            OPEN,
            Mobility.USUAL);
    for (String key : List.of("s1", "s2")) {
      assertThat(
              t.segments().stream()
                  .filter(g -> g.slotKey().equals(key))
                  .mapToInt(g -> g.reps() == null ? 0 : g.reps())
                  .sum())
          .isEqualTo(15);
    }
    Format phrase = format(FormatKind.PHRASE, "REPEATS=8 REST=0 LRB");
    assertThat(PlanTotals.phraseReps(phrase, Side.LEFT)).isEqualTo(16);
    assertThat(PlanTotals.phraseReps(phrase, Side.RIGHT)).isEqualTo(16);
    assertThat(format(FormatKind.GATHER, "TOTAL=30 SET_SIZE=5 REST=20").rounds()).isEqualTo(6);
  }

  /** A random block of a kind; every number within its range. */
  private static Format random(FormatKind kind, Random r) {
    EnumMap<Param, Integer> v = new EnumMap<>(Param.class);
    for (Param p : kind.params) {
      int most = Math.min(p.greatest, p == Param.CAP ? 300 : p.unit.isEmpty() ? 4 : 60);
      v.put(p, p.least + r.nextInt(Math.max(1, most - p.least + 1)));
    }
    if (kind == FormatKind.BURSTS) {
      v.put(Param.ROUNDS, r.nextBoolean() ? 4 : 8);
    }
    return new Format(
        kind,
        v,
        kind == FormatKind.LADDER ? List.of(50 + r.nextInt(9), 31, 20) : List.of(),
        kind == FormatKind.PHRASE ? List.of(Side.LEFT, Side.RIGHT, Side.BOTH) : List.of());
  }

  private List<Slot> randomSlots(Random r, FormatKind kind) {
    List<Slot> slots = new ArrayList<>();
    int n = 2 * (1 + r.nextInt(3));
    for (int i = 1; i <= n; i++) {
      Position p = Position.values()[r.nextInt(Position.values().length)];
      station("s" + i, p, r.nextBoolean(), r.nextBoolean() ? USUAL : Tempo.of("3-1-2-0"));
      List<Stage> stages =
          kind == FormatKind.STAGED
              ? List.of(
                  stage(3, "2-0-2-0", Stage.Kind.REPS), stage(5, "1-0-0-0", Stage.Kind.PULSES))
              : List.of();
      slots.add(
          new Slot(
              "s" + i,
              "m" + i,
              10 + r.nextInt(50),
              5 + r.nextInt(9),
              null,
              null,
              r.nextBoolean() ? Side.RIGHT : null,
              stages,
              List.of(),
              null));
    }
    return slots;
  }

  @ParameterizedTest
  @EnumSource(FormatKind.class)
  void segmentsTileTheWholeBothSidesGetEqualTimeAndTheSumIsTheTotal(FormatKind kind) {
    for (int seed = 0; seed < 120; seed++) {
      Random r = new Random(seed);
      List<Slot> slots = randomSlots(r, kind);
      Format f = random(kind, r);
      PlanBlock.SideMode mode = PlanBlock.SideMode.values()[r.nextInt(3)];
      PlanBlock b =
          new PlanBlock(
              "b",
              Block.WORK,
              f,
              mode,
              r.nextBoolean(),
              PlanBlock.RestStyle.WALKING,
              r.nextInt(3) * 10,
              r.nextInt(3) * 10,
              null,
              slots);
      int cap = r.nextInt(3) == 0 ? 100 : OPEN;
      Timeline t = compile(b, r.nextBoolean() ? 90 : null, cap, Mobility.SLOW);
      int at = 0;
      int left = 0;
      int right = 0;
      int work = 0;
      int rest = 0;
      int other = 0;
      for (Segment g : t.segments()) {
        assertThat(g.start()).as("seed %d", seed).isEqualTo(at);
        at = g.endExclusive();
        work += g.kind() == Segment.Kind.WORK ? g.length() : 0;
        rest += g.kind() == Segment.Kind.REST ? g.length() : 0;
        other += g.kind() != Segment.Kind.WORK && g.kind() != Segment.Kind.REST ? g.length() : 0;
        left += g.kind() == Segment.Kind.WORK && g.side() == Side.LEFT ? g.length() : 0;
        right += g.kind() == Segment.Kind.WORK && g.side() == Side.RIGHT ? g.length() : 0;
      }
      assertThat(at).as("seed %d", seed).isEqualTo(t.total());
      assertThat(work + rest + other).as("seed %d", seed).isEqualTo(t.total());
      assertThat(List.of(work, rest)).isEqualTo(List.of(t.workSeconds(), t.restSeconds()));
      // Sides by round with an odd number of rounds is flagged, and time that runs out cuts a side.
      boolean even = mode != PlanBlock.SideMode.BY_ROUND || f.rounds() % 2 == 0;
      // Under a cap the side followed by a rest works longer than the one that is not.
      boolean byTime = kind == FormatKind.ROUNDS_POSSIBLE || kind == FormatKind.PHRASE;
      if (even && cap == OPEN && !byTime && (kind != FormatKind.GATHER || evenSets(f, mode))) {
        assertThat(left).as("seed %d %s", seed, mode).isEqualTo(right);
      }
    }
  }

  private static boolean evenSets(Format f, PlanBlock.SideMode mode) {
    return mode != PlanBlock.SideMode.BY_ROUND || f.get(Param.TOTAL) % f.get(Param.SET_SIZE) == 0;
  }

  // in ROUNDS_POSSIBLE the way from posture to posture is taken out of the time: order matters
  @ParameterizedTest
  @EnumSource(value = FormatKind.class, mode = EnumSource.Mode.EXCLUDE, names = "ROUNDS_POSSIBLE")
  void permutingABlockNeverChangesItsWork(FormatKind kind) {
    for (int seed = 0; seed < 60; seed++) {
      Random r = new Random(seed);
      List<Slot> slots = randomSlots(r, kind);
      Format f = random(kind, r);
      List<Slot> other = new ArrayList<>(slots);
      int unit = kind.pairs() ? 2 : 1;
      java.util.Collections.rotate(other, unit * (1 + r.nextInt(3)));
      int a =
          compile(PlanBlock.of("b", Block.WORK, f, slots), null, OPEN, Mobility.USUAL)
              .workSeconds();
      int b =
          compile(PlanBlock.of("b", Block.WORK, f, other), null, OPEN, Mobility.USUAL)
              .workSeconds();
      assertThat(b).as("%s, seed %d", kind, seed).isEqualTo(a);
    }
  }

  @Test
  void aChangeOfPostureUsesUpTheRestFirst() {
    List<Slot> s = slots(2, Position.STANDING, false);
    station("s2", Position.SUPINE, false, USUAL);
    Timeline enough = intervals(s, 40, 30, 1, OPEN);
    assertThat(enough.total()).isEqualTo(140);
    assertThat(enough.segments()).extracting(Segment::length).containsExactly(40, 10, 20, 40, 30);
    Timeline tight = intervals(s, 40, 15, 1, OPEN);
    assertThat(tight.total()).isEqualTo(115);
    assertThat(tight.floorTrips()).isEqualTo(1);
  }

  @ParameterizedTest(name = "{0} to {1}: {2} s, slow {3} s")
  @CsvSource({
    "STANDING, CHAIR, 5, 5",
    "CHAIR, SUPINE, 20, 20",
    "STANDING, ALL_FOURS, 20, 40",
    "SUPINE, PRONE, 8, 8",
    "SUPINE, SIDE_LYING, 0, 0",
    "STANDING, STANDING_SUPPORTED, 0, 0",
  })
  void aChangeOfPostureCostsItsTime(Position from, Position to, int usual, int slow) {
    assertThat(Mobility.USUAL.seconds(from, to)).isEqualTo(usual);
    assertThat(Mobility.SLOW.seconds(from, to)).isEqualTo(slow);
  }

  @Test
  void aClientWithAWorkCapWorksTheFirstHalfAndTheClockStaysShared() {
    Timeline t = intervals(slots(1, Position.CHAIR, false), 20, 10, 1, 100);
    assertThat(t.segments()).extracting(Segment::length).containsExactly(15, 15);
    assertThat(t.segments().get(0).reps()).isEqualTo(3);
    for (FormatKind kind : FormatKind.values()) {
      if (kind != FormatKind.THROUGH_DAY) {
        Random r = new Random(kind.ordinal());
        List<Slot> s = randomSlots(r, kind);
        PlanBlock b = PlanBlock.of("b", Block.WORK, random(kind, r), s);
        Timeline capped = compile(b, null, 100, Mobility.USUAL);
        assertThat(capped.workSeconds())
            .as("%s: rest at least as long as work", kind)
            .isLessThanOrEqualTo(capped.total() - capped.workSeconds());
      }
    }
  }

  @ParameterizedTest
  @EnumSource(FormatKind.class)
  void nothingIsHeldLongerThanTheClientMay(FormatKind kind) {
    for (int seed = 0; seed < 60; seed++) {
      Random r = new Random(seed);
      List<Slot> slots = new ArrayList<>();
      for (Slot s : randomSlots(r, kind)) {
        slots.add(
            kind == FormatKind.STAGED
                ? new Slot(
                    s.key(),
                    "m",
                    null,
                    null,
                    null,
                    null,
                    null,
                    List.of(
                        stage(1, "0-45-0-0", Stage.Kind.HOLD),
                        stage(2, "1-30-1-0", Stage.Kind.REPS)),
                    List.of(),
                    null)
                : s);
      }
      PlanBlock b = PlanBlock.of("b", Block.WORK, random(kind, r), slots);
      for (Segment g : compile(b, null, OPEN, Mobility.USUAL).segments()) {
        boolean held = kind == FormatKind.HOLDS || kind == FormatKind.STAGED;
        assertThat(g.holdSeconds() != null)
            .as("%s, seed %d", kind, seed)
            .isEqualTo(held && g.kind() == Segment.Kind.WORK);
        assertThat(g.holdSeconds() == null ? 0 : g.holdSeconds()).isLessThanOrEqualTo(20);
      }
    }
  }

  @Test
  void roundsMayDifferAndSidesMayTakeTurns() {
    station("s1", Position.STANDING, true, USUAL);
    station("s1@2", Position.CHAIR, true, Tempo.of("4-0-2-0"));
    Slot s =
        new Slot(
            "s1",
            "m",
            null,
            null,
            null,
            null,
            Side.RIGHT,
            List.of(),
            List.of(new RoundChange(2, "n", null, null, null)),
            new Extra(Side.LEFT, 20, "weaker after the cast"));
    PlanBlock b =
        new PlanBlock(
            "b",
            Block.WORK,
            Format.intervals(60, 0, 2),
            PlanBlock.SideMode.BY_ROUND,
            false,
            PlanBlock.RestStyle.STILL,
            0,
            0,
            null,
            List.of(s));
    Timeline t = compile(b, null, OPEN, Mobility.USUAL);
    assertThat(t.segments())
        .filteredOn(g -> g.kind() == Segment.Kind.WORK)
        .extracting(g -> g.slotKey() + " " + g.side() + " " + g.length() + " " + g.reps())
        .containsExactly("s1 RIGHT 60 15", "s1@2 LEFT 60 10", "s1@2 LEFT 20 3");
    SessionPlan plan = new SessionPlan(List.of(b), null);
    assertThat(plan.asked()).extracting(SessionPlan.Asked::key).containsExactly("s1", "s1@2");
    assertThat(PlanTotals.of(plan, t, id -> null).left()).as("extra work left out").isEqualTo(60);
  }

  @Test
  void expectedRepsAreRoundedDown() {
    assertThat(USUAL.repsIn(45)).isEqualTo(11);
    assertThat(Tempo.of("3-0-2-0").repsIn(45)).isEqualTo(9);
    assertThat(Tempo.of("4-4-1-0").seconds()).isEqualTo(9);
  }

  @Test
  void shortWarmUpIsFlaggedNotRefused() {
    station("w", Position.CHAIR, false, USUAL);
    station("c", Position.CHAIR, false, USUAL);
    SessionPlan plan =
        SessionPlan.of(
            List.of(new Slot("w", "m", 299)),
            slots(10, Position.CHAIR, false),
            Format.intervals(50, 10, 2),
            List.of(new Slot("c", "m", 180)));
    assertThat(PlanCheck.of(Timeline.compile(plan, stations::get, OPEN, Mobility.USUAL)))
        .containsExactly(new PlanCheck(PlanCheck.WARM_UP_SHORT, 299, 300));
  }

  @ParameterizedTest(name = "{0} {1}: {2}")
  @CsvSource({
    "INTERVALS, WORK=0 REST=10 ROUNDS=1, work must lie between 5 and 600 s",
    "INTERVALS, WORK=40 REST=-1 ROUNDS=1, rest must lie between 0 and 300 s",
    "INTERVALS, WORK=40 ROUNDS=1, 'intervals, in order needs its rest'",
    "SETS, SETS=2 REPS=10 REST=45, sets and reps needs its rest between movements",
    "INTERVALS, WORK=40 REST=10 ROUNDS=1 REPS=3, takes no repetitions",
    "BURSTS, WORK=20 REST=10 ROUNDS=5, 4 or 8 rounds",
    "LADDER, 30/40, gets shorter each round",
    "LADDER, '', needs the work of each round",
    "PHRASE, REPEATS=8 REST=0, needs its pattern of sides",
    "ROUNDS_POSSIBLE, CAP=9999 REPS=10, time must lie between 60 and 3600 s",
  })
  void aMissingOrImpossibleNumberIsAskedFor(FormatKind kind, String numbers, String words) {
    assertThatThrownBy(() -> format(kind, numbers)).hasMessageContaining(words);
  }

  @Test
  void impossiblePlansAreRefused() {
    List<Slot> one = List.of(new Slot("a", "squat", 60));
    Format f = Format.intervals(40, 20, 1);
    assertThatThrownBy(() -> SessionPlan.of(List.of(), List.of(), f, List.of()))
        .hasMessageContaining("at least one slot");
    List<Slot> many =
        IntStream.range(0, 200).mapToObj(i -> new Slot("s" + i, "squat", 60)).toList();
    assertThatThrownBy(() -> SessionPlan.of(List.of(), many, f, List.of()))
        .hasMessageContaining("60 slots at most, this one has 200");
    assertThatThrownBy(() -> SessionPlan.of(one, one, f, List.of()))
        .hasMessageContaining("slot key used twice: a");
    assertThatThrownBy(
            () ->
                new SessionPlan(
                    List.of(
                        PlanBlock.of("w", Block.WORK, f, one),
                        PlanBlock.of("v", Block.WARM_UP, Format.inTurn(), List.of())),
                    null))
        .hasMessageContaining("out of order");
    assertThatThrownBy(
            () ->
                PlanBlock.of(
                    "p", Block.WORK, format(FormatKind.PAIRED, "WORK=40 REST=10 ROUNDS=1"), one))
        .hasMessageContaining("in pairs");
    assertThatThrownBy(() -> new Slot("a@2", "squat", 60)).hasMessageContaining("no @");
  }
}
