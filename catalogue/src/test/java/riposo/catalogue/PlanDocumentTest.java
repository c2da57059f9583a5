package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import riposo.core.Orders;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.BandGrip;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.Performed;
import riposo.core.adapt.PlanAdapter;
import riposo.core.adapt.RestStretch;
import riposo.core.adapt.TodayDose;
import riposo.core.adapt.UpperOption;
import riposo.core.dose.Dose;
import riposo.core.dose.Held;
import riposo.core.dose.Weight;
import riposo.core.kit.Band;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Carry;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Kit;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Tempo;
import riposo.core.plan.BandAsk;
import riposo.core.plan.Block;
import riposo.core.plan.BlockOrder;
import riposo.core.plan.Extra;
import riposo.core.plan.Format;
import riposo.core.plan.FormatKind;
import riposo.core.plan.Mobility;
import riposo.core.plan.Param;
import riposo.core.plan.PlanBlock;
import riposo.core.plan.PlanCheck;
import riposo.core.plan.PlanFix;
import riposo.core.plan.RoundChange;
import riposo.core.plan.Segment;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Sides;
import riposo.core.plan.Slot;
import riposo.core.plan.Stage;
import riposo.core.plan.Timeline;
import riposo.core.plan.Upper;
import riposo.core.today.TodayCheck;
import riposo.core.wording.Wording;

/** Plans over the shipped catalogue: the open document, the starting points, checks and order. */
class PlanDocumentTest {
  private static final Catalogue CATALOGUE = CatalogueReader.shipped();
  private static final Adapter ADAPTER = new Adapter(CATALOGUE);
  private static final PlanAdapter PLANS = new PlanAdapter(ADAPTER);
  private static final List<Movement> ALL = List.copyOf(CATALOGUE.movements());

  private static final List<Band> BANDS =
      List.of(
          new Band(
              "blue loop",
              150,
              List.of(new Band.Measured(50, 1500), new Band.Measured(100, 2600)),
              false,
              4),
          new Band("grey", 120, List.of(new Band.Measured(100, 1200)), false, 2));

  private static String any(Random r) {
    return ALL.get(r.nextInt(ALL.size())).id();
  }

  private static Slot slot(Random r, String key, FormatKind kind, int rounds) {
    Tempo tempo = r.nextInt(3) == 0 ? new Tempo(r.nextInt(5), 0, 1 + r.nextInt(3), 0) : null;
    boolean own =
        kind == FormatKind.SETS
            || kind == FormatKind.ROUNDS_POSSIBLE
            || kind == FormatKind.THROUGH_DAY;
    Movement m = ALL.get(r.nextInt(ALL.size()));
    while (kind == FormatKind.PHRASE && Sides.of(m).isEmpty()) {
      m = ALL.get(r.nextInt(ALL.size()));
    }
    List<Sides> sides =
        kind == FormatKind.PHRASE
            ? List.of()
            : Sides.of(m).stream()
                .filter(x -> kind != FormatKind.HOLDS || x != Sides.IN_TURN)
                .toList();
    // rounds that differ may change the movement: only what every movement can is asked then
    boolean changing = rounds > 1 && r.nextInt(4) == 0;
    boolean held = kind == FormatKind.HOLDS || m.isHold() && kind == FormatKind.BURSTS;
    return new Slot(
        key,
        m.id(),
        kind == FormatKind.IN_TURN || r.nextInt(4) == 0 ? (Integer) (10 + r.nextInt(80)) : null,
        kind == FormatKind.BY_COUNT || own && r.nextInt(4) == 0
            ? (Integer) (1 + r.nextInt(20))
            : null,
        tempo,
        r.nextInt(4) == 0 ? (Integer) 2000 : null,
        r.nextInt(3) == 0 ? Side.RIGHT : null,
        kind == FormatKind.STAGED
            ? List.of(
                new Stage(1 + r.nextInt(8), Stage.Part.HALF, Stage.Kind.REPS, Tempo.of("1-0-2-0")),
                new Stage(1, Stage.Part.LOW, Stage.Kind.HOLD, Tempo.of("0-4-0-0")))
            : List.of(),
        changing
            ? List.of(
                new RoundChange(
                    2,
                    any(r),
                    own || kind == FormatKind.BY_COUNT ? (Integer) 7 : null,
                    Tempo.of("3-0-1-0"),
                    1000))
            : List.of(),
        r.nextInt(9) == 0 ? new Extra(Side.LEFT, 20, "weaker after the cast") : null,
        changing || sides.isEmpty() || r.nextBoolean() ? null : sides.get(r.nextInt(sides.size())),
        !changing && held && r.nextBoolean() ? (Integer) (2 + r.nextInt(4)) : null,
        changing || m.carries().isEmpty() || r.nextBoolean()
            ? null
            : m.carries().get(r.nextInt(m.carries().size())),
        null,
        changing || m.support() == null || r.nextBoolean()
            ? null
            : (Integer)
                (m.support().least() + r.nextInt(m.support().most() - m.support().least() + 1)),
        kind == FormatKind.PHRASE ? null : upper(r, m),
        changing || m.loadKind() != LoadKind.BAND || r.nextBoolean()
            ? null
            : new BandAsk(
                Band.Hold.values()[r.nextInt(3)],
                500 * (1 + r.nextInt(8)),
                40 + r.nextInt(80),
                20 + r.nextInt(30)));
  }

  /** One option above a movement, of the three kinds; null in half of all slots. */
  private static @Nullable Upper upper(Random r, Movement m) {
    List<Movement> above = ALL.stream().filter(x -> x.difficulty() > m.difficulty()).toList();
    return switch (r.nextInt(6)) {
      case 0 ->
          above.isEmpty() ? null : new Upper(above.get(r.nextInt(above.size())).id(), null, null);
      case 1 -> m.modifiers().contains(Modifier.SLOWER) ? new Upper(null, true, null) : null;
      case 2 -> m.loadKind() != LoadKind.DUMBBELL ? null : new Upper(null, null, 2500);
      default -> null;
    };
  }

  private static PlanBlock block(Random r, String key, Block which) {
    FormatKind kind = FormatKind.values()[r.nextInt(FormatKind.values().length)];
    EnumMap<Param, Integer> v = new EnumMap<>(Param.class);
    for (Param p : kind.params) {
      v.put(p, p.least + r.nextInt(Math.min(6, p.greatest - p.least + 1)));
    }
    if (kind == FormatKind.BURSTS) {
      v.put(Param.ROUNDS, 8);
    }
    Format f =
        new Format(
            kind,
            v,
            kind == FormatKind.LADDER ? List.of(60, 45, 30) : List.of(),
            kind == FormatKind.PHRASE ? List.of(Side.LEFT, Side.RIGHT, Side.BOTH) : List.of());
    List<Slot> slots = new ArrayList<>();
    int n = 2 * (1 + r.nextInt(3));
    for (int i = 0; i < n; i++) {
      slots.add(slot(r, key + i, kind, f.rounds()));
    }
    return new PlanBlock(
        key,
        which,
        f,
        PlanBlock.SideMode.values()[r.nextInt(3)],
        r.nextBoolean(),
        PlanBlock.RestStyle.values()[r.nextInt(3)],
        r.nextInt(2) * 15,
        r.nextInt(2) * 20,
        r.nextBoolean() ? null : (Integer) (1 + r.nextInt(7)),
        slots);
  }

  @Test
  void compileExportImportCompileIsIdentical() {
    for (int seed = 0; seed < 300; seed++) {
      Random r = new Random(seed);
      SessionPlan plan =
          new SessionPlan(
              List.of(
                  block(r, "w", Block.WARM_UP),
                  block(r, "a", Block.WORK),
                  block(r, "b", Block.WORK),
                  block(r, "c", Block.COOL_DOWN)),
              r.nextBoolean() ? null : (Integer) (40 + r.nextInt(100)));
      PlanDocument out = new PlanDocument("Plan " + seed, List.of("one", "two"), "a note", plan);
      PlanDocument in = PlanDocument.read(out.write(), CATALOGUE);
      assertThat(in).as("seed %d", seed).isEqualTo(out);
      assertThat(in.write()).isEqualTo(out.write());
      assertThat(PLANS.planned(in.plan())).isEqualTo(PLANS.planned(plan));
    }
  }

  @Test
  void adaptedInAnyFormatNothingBreaksALimitOrIsHeldTooLongOrRestsTooLittle() {
    int stretches = 0;
    int uppers = 0;
    int grips = 0;
    for (int seed = 0; seed < 250; seed++) {
      Random r = new Random(seed);
      SessionPlan plan =
          new SessionPlan(List.of(block(r, "a", Block.WORK), block(r, "b", Block.WORK)), null);
      List<Limit> limits = new ArrayList<>(new RandomLimits(seed).some());
      limits.add(limit("hold", 5 + r.nextInt(20)));
      limits.add(limit("effort", 3 + r.nextInt(4)));
      boolean half = r.nextBoolean();
      if (half) {
        limits.add(limit("session.work-per-rest", 100));
      }
      limits.add(limit("load.total", 500 + 500 * r.nextInt(5)));
      limits.add(limit("load.hand", 500 + 500 * r.nextInt(5)));
      Caps caps = Caps.on(RandomLimits.DAY, limits).padded(true);
      AdaptedPlan a =
          PLANS.adapt(
              plan,
              caps,
              new Kitbag(
                  EnumSet.allOf(Kit.class),
                  List.of(new Weight(500, 2), new Weight(1000, 2)),
                  Set.of(),
                  BANDS),
              Map.of(),
              Map.of(),
              Mobility.USUAL);
      Map<String, Integer> raise = new HashMap<>();
      plan.asked().forEach(x -> raise.put(x.key(), x.block().effortRaise(x.index())));
      for (AdaptedSlot s : a.slots()) {
        for (Performed p : s.result().parts()) {
          assertThat(ADAPTER.broken(p, caps.raised(raise.get(s.slotKey()))))
              .as("seed %d, %s", seed, s.slotKey())
              .isEmpty();
        }
        Caps own = caps.raised(raise.get(s.slotKey()));
        RestStretch stretch = s.stretch();
        if (stretch != null && stretch.form() != null) {
          assertThat(ADAPTER.broken(stretch.form(), own)).as("seed %d", seed).isEmpty();
          assertThat(rests(a, s.slotKey()))
              .as("seed %d, %s", seed, stretch)
              .filteredOn(x -> x >= 15)
              .isNotEmpty()
              .allMatch(x -> stretch.seconds() * sidesAtOnce(stretch) + 5 <= x);
          stretches++;
        }
        BandGrip band = s.band();
        if (band != null && band.grip() != null) {
          assertThat(band.grip().force().checkGrams())
              .as("seed %d, %s", seed, band)
              .isLessThanOrEqualTo(own.cap(Axis.LOAD_HAND, Side.BOTH));
          grips++;
        }
        UpperOption upper = s.upper();
        if (upper != null && upper.form() != null) {
          assertThat(ADAPTER.broken(upper.form(), own)).as("seed %d", seed).isEmpty();
          assertThat(s.askedBroken()).as("only above what may be done as asked").isEmpty();
          uppers++;
        }
        assertThat(upper != null && upper.taken()).as("never taken by itself").isFalse();
      }
      for (AdaptedSlot s : a.slots()) {
        for (Dose d : s.doses()) {
          Held h = d.weight();
          if (h != null) {
            boolean both = h.way() == Carry.BOTH_HANDS;
            assertThat(h.inAll())
                .as("seed %d %s", seed, s.slotKey())
                .isLessThanOrEqualTo(caps.cap(Axis.LOAD_TOTAL, Side.BOTH));
            assertThat(h.way().body ? 0 : both ? h.heavier() / 2 : h.heavier())
                .as("seed %d %s", seed, s.slotKey())
                .isLessThanOrEqualTo(caps.cap(Axis.LOAD_HAND, Side.LEFT));
          }
        }
      }
      int hold = caps.cap(Axis.HOLD, Side.BOTH);
      // a mild stretch is no still effort: its time is the time asked for
      Set<String> effort =
          a.slots().stream()
              .filter(
                  s ->
                      s.result().parts().stream()
                          .anyMatch(p -> !p.isRest() && !ADAPTER.variant(p).stretch()))
              .map(AdaptedSlot::slotKey)
              .collect(Collectors.toSet());
      for (Segment g : a.timeline().segments()) {
        if (!effort.contains(g.slotKey())) {
          continue;
        }
        assertThat(g.holdSeconds() == null ? 0 : g.holdSeconds())
            .as("seed %d", seed)
            .isLessThanOrEqualTo(hold);
      }
      if (half) {
        assertThat(a.timeline().workSeconds())
            .as("seed %d: rest at least as long as work", seed)
            .isLessThanOrEqualTo(a.timeline().total() - a.timeline().workSeconds());
      }
    }
    assertThat(List.of(stretches, uppers)).allMatch(n -> n > 20);
    assertThat(grips).isPositive();
  }

  private static List<Integer> rests(AdaptedPlan a, String key) {
    return a.timeline().segments().stream()
        .filter(g -> g.kind() == Segment.Kind.REST && g.slotKey().equals(key))
        .map(Segment::length)
        .toList();
  }

  private static int sidesAtOnce(RestStretch s) {
    return s.sides() == RestStretch.Sided.EACH ? 2 : 1;
  }

  @ParameterizedTest
  @EnumSource(
      value = TodayCheck.Dose.class,
      names = {"EASED", "SHORT"})
  void aCutDayKeepsItsSlotsInAnyFormatAndAtMostThreeWhenShort(TodayCheck.Dose dose) {
    for (int seed = 0; seed < 250; seed++) {
      Random r = new Random(seed);
      PlanBlock a = block(r, "a", Block.WORK);
      if (a.format().kind() == FormatKind.BURSTS) {
        // a slot without a partner takes every interval, and is not lost on a cut day
        a = a.with(a.slots().subList(0, 1));
      }
      SessionPlan plan = new SessionPlan(List.of(a), null);
      AdaptedPlan cut =
          PLANS.adapt(
              plan,
              Caps.open(RandomLimits.DAY),
              new Kitbag(EnumSet.allOf(Kit.class), List.of(new Weight(1000, 2))),
              Map.of(),
              Map.of(),
              Mobility.USUAL,
              new TodayDose(dose, null, false, false));
      long kept = cut.slots().stream().map(s -> s.slotKey().split("@")[0]).distinct().count();
      int most = dose == TodayCheck.Dose.EASED ? a.slots().size() : Math.min(3, a.slots().size());
      int pairs = a.format().kind().needsPairs() ? most - most % 2 : most;
      assertThat(kept).as("seed %d, %s", seed, a.format().kind()).isEqualTo(pairs);
    }
  }

  private static Limit limit(String axis, int cap) {
    return new Limit(
        java.util.UUID.nameUUIDFromBytes((axis + cap).getBytes()),
        axis,
        Side.BOTH,
        cap,
        Strength.FIRM,
        "law",
        RandomLimits.DAY,
        null,
        null);
  }

  @Test
  void theStartingPointsShowEveryFormatAndNoneIsBadlyMade() {
    List<PlanDocument> shipped = PlanDocument.shipped(CATALOGUE);
    assertThat(shipped).hasSizeGreaterThanOrEqualTo(10);
    Set<FormatKind> shown = EnumSet.noneOf(FormatKind.class);
    Set<String> names = new HashSet<>();
    for (PlanDocument d : shipped) {
      assertThat(names.add(d.name())).as(d.name()).isTrue();
      d.plan().blocks().forEach(b -> shown.add(b.format().kind()));
      Timeline t = PLANS.planned(d.plan());
      // Without kit there is no pull in the catalogue; the plan's note says so.
      String but = d.tags().contains("no kit") ? PlanCheck.PUSH_PULL : "";
      assertThat(
              PLANS.checks(d.plan(), t).stream()
                  .filter(c -> !c.rule().equals(but))
                  .map(Wording::check))
          .as(d.name())
          .isEmpty();
      assertThat(PlanDocument.read(d.write(), CATALOGUE)).isEqualTo(d);
    }
    assertThat(shown).containsExactlyInAnyOrder(FormatKind.values());
  }

  @ParameterizedTest(name = "{0} -> {1}: {2}")
  @CsvSource({
    "'\"movement\": \"squat\"', '\"movement\": \"no-such\"', there is no movement “no-such”",
    "'\"work\": 40', '\"work\": 0', work must lie between 5 and 600 s",
    "'\"work\": 40', '\"work\": \"much\"', /blocks/0/format/work",
    "'\"rounds\": 2', '\"sprints\": 2', sprints",
    "'\"rest\": 20,', '', 'intervals, in order needs its rest'",
    "'\"version\": 2', '\"version\": 3', /version",
    "'\"movement\": \"squat\"', '\"movement\": \"squat\", \"sides\": \"in-turn\"', /blocks/0/slots/0/sides: Squat works both sides at once",
    "'\"movement\": \"squat\"', '\"movement\": \"split-dip\", \"sides\": \"in-turn\"', 'cannot be done “in turn”. It can: one side, then the other, one side a round, one side only'",
    "'\"movement\": \"squat\"', '\"movement\": \"squat\", \"sides\": \"both-ways\"', /blocks/0/slots/0/sides",
    "'\"movement\": \"squat\"', '\"movement\": \"squat\", \"hold\": 10', /blocks/0/slots/0/hold: Squat is not held",
    "'\"movement\": \"squat\"', '\"movement\": \"wall-sit\", \"hold\": 41', A hold of 41 s does not fit in 40 s",
    "'\"movement\": \"squat\"', '\"movement\": \"wall-sit\", \"hold\": 1', holds for 2 to 300 s",
    "'\"movement\": \"squat\"', '\"movement\": \"counter-push-up\", \"height\": 250', '/blocks/0/slots/0/height: Counter push-up, narrow hands is done with hands at 75 to 108 cm; 250 cm is out of reach'",
    "'\"movement\": \"squat\"', '\"movement\": \"stand-chair\", \"height\": 40', 40 cm is another movement",
    "'\"movement\": \"squat\"', '\"movement\": \"squat\", \"height\": 45', Squat leans on",
    "'\"movement\": \"squat\"', '\"movement\": \"curl\", \"grams\": 0', /blocks/0/slots/0/grams: A weight is 0.1 to 100 kg",
    "'\"movement\": \"squat\"', '\"movement\": \"curl\", \"grams\": 1000000', asks for 100 to 100000 g",
    "'\"movement\": \"squat\"', '\"movement\": \"curl\", \"carry\": \"hips\"', /blocks/0/slots/0/carry: Curl takes no weight “on the hips”",
    "'\"movement\": \"squat\"', '\"movement\": \"curl\", \"ramp\": true', /blocks/0/slots/0/ramp: Nothing builds up",
    "'\"movement\": \"squat\"', '\"movement\": \"squat\", \"reps\": 8', 'No repetitions of its own here: in the format “intervals, in order” the clock decides'",
    "'\"movement\": \"squat\"', '\"movement\": \"squat\", \"stages\": [{\"count\": 4, \"range\": \"full\", \"kind\": \"reps\", \"tempo\": \"2-0-2-0\"}]', Stages belong to a staged set; intervals",
    "'\"movement\": \"squat\"', '\"movement\": \"squat\", \"upper\": {\"movement\": \"chair-tap\"}', '/blocks/0/slots/0/upper: Chair tap is not above Squat: difficulty 36 of 100 against 42'",
    "'\"movement\": \"squat\"', '\"movement\": \"wall-push-up\", \"upper\": {\"grams\": 2000}', /blocks/0/slots/0/upper: Wall push-up takes no weight",
    "'\"movement\": \"squat\"', '\"movement\": \"squat\", \"upper\": {\"grams\": 2000}', '/blocks/0/slots/0/upper: Say how Squat carries a weight, in a backpack, before it is an option'",
    "'\"movement\": \"squat\"', '\"movement\": \"squat\", \"upper\": {\"movement\": \"gone\"}', /blocks/0/slots/0/upper: The upper option is no longer",
    "'\"movement\": \"squat\"', '\"movement\": \"squat\", \"upper\": {\"slower\": true, \"grams\": 2000}', /blocks/0/slots/0/upper",
    "'\"movement\": \"squat\"', '\"movement\": \"curl\", \"grams\": 3000, \"upper\": {\"grams\": 2000}', An upper option of 2 kg is not above the 3 kg asked",
    "'\"movement\": \"squat\"', '\"movement\": \"squat\", \"band\": {\"hold\": \"one-foot\", \"grams\": 2000, \"reach\": 80}', /blocks/0/slots/0/band: Squat takes no band",
    "'\"movement\": \"squat\"', '\"movement\": \"seated-band-curl\", \"band\": {\"hold\": \"two-feet\", \"grams\": 2000, \"reach\": 80}', a band under both feet needs the stance",
    "'\"movement\": \"squat\"', '\"movement\": \"seated-band-curl\", \"band\": {\"hold\": \"one-foot\", \"grams\": 0, \"reach\": 80}', 'a pull of a band is 100 to 30000 g'",
    "'\"movement\": \"squat\"', '\"movement\": \"seated-band-curl\", \"band\": {\"hold\": \"one-foot\", \"grams\": 2000, \"reach\": 400}', 'a reach of a band is 10 to 250 cm'",
    "'{', '', line 1",
  })
  void aBadDocumentNamesWhatIsWrong(String from, String to, String words) {
    String good =
        """
        {"document": "riposo-plan", "version": 2, "name": "P", "blocks": [{"key": "b", "block": "work",
          "format": {"kind": "intervals", "work": 40, "rest": 20, "rounds": 2},
          "slots": [{"key": "s", "movement": "squat"}]}]}""";
    assertThat(PlanDocument.read(good, CATALOGUE).plan().allSlots()).hasSize(1);
    assertThatThrownBy(() -> PlanDocument.read(good.replaceFirst(quote(from), to), CATALOGUE))
        .isInstanceOf(CatalogueException.class)
        .hasMessageContaining(words);
  }

  @Test
  void theFirstVersionIsReadWithoutWhatNeverCountedAndTakesNothingNewer() {
    String old =
        """
        {"document": "riposo-plan", "version": 1, "name": "P", "blocks": [{"key": "b", "block": "work",
          "format": {"kind": "intervals", "work": 40, "rest": 20, "rounds": 2},
          "slots": [{"key": "s", "movement": "squat", "reps": 8, "grams": 2000,
            "stages": [{"count": 4, "range": "full", "kind": "reps", "tempo": "2-0-2-0"}],
            "rounds": [{"round": 2, "reps": 6}]}]}]}""";
    PlanDocument read = PlanDocument.read(old, CATALOGUE);
    Slot s = read.plan().allSlots().get(0);
    assertThat(s)
        .isEqualTo(
            new Slot("s", "squat", null, null, null, 2000, null, List.of(), List.of(), null));
    assertThat(read.write()).contains("\"version\" : 2");
    assertThat(PlanDocument.read(read.write(), CATALOGUE)).isEqualTo(read);
    String newer = old.replace("\"reps\": 8", "\"sides\": \"one-only\"");
    assertThatThrownBy(() -> PlanDocument.read(newer, CATALOGUE))
        .hasMessageContaining("/blocks/0/slots/0")
        .hasMessageContaining("sides");
  }

  private static String quote(String s) {
    return java.util.regex.Pattern.quote(s);
  }

  private static SessionPlan work(Format f, String... movements) {
    List<Slot> slots = new ArrayList<>();
    for (String m : movements) {
      slots.add(new Slot("s" + (slots.size() + 1), m, null));
    }
    return SessionPlan.of(
        List.of(new Slot("w", "march", 600)), slots, f, List.of(new Slot("c", "side-reach", 300)));
  }

  private static List<String> said(SessionPlan plan) {
    return PLANS.checks(plan, PLANS.planned(plan)).stream().map(PlanCheck::rule).toList();
  }

  private static PlanFix fix(SessionPlan plan, String rule) {
    PlanCheck c =
        PLANS.checks(plan, PLANS.planned(plan)).stream()
            .filter(x -> x.rule().equals(rule))
            .findFirst()
            .orElseThrow();
    return PlanFix.of(c, plan, PLANS::planned, PLANS::find);
  }

  @ParameterizedTest(name = "{0}: {1}")
  @CsvSource({
    "plan.region-twice, squat reverse-lunge hinged-row",
    "plan.hard-twice, goblet-squat reverse-lunge-arms-up hinged-row",
    "plan.small-first, curl squat hinged-row",
    "plan.biceps-first, curl hinged-row squat",
    "plan.floor-trips, supine-bridge squat curl-up",
    "plan.push-pull, floor-push-up squat overhead-press",
    "plan.overhead-long, overhead-press one-arm-press",
    "plan.movement-gone, squat vanished",
  })
  void theCheckerSaysWhatIsOff(String rule, String movements) {
    assertThat(said(work(Format.intervals(60, 20, 1), movements.split(" ")))).contains(rule);
  }

  @Test
  void aFixMendsItsRuleAndTheGainIsTrue() {
    SessionPlan trips =
        work(
            Format.intervals(40, 30, 1),
            "squat",
            "hinged-row",
            "supine-bridge",
            "counter-push-up",
            "curl-up",
            "heel-raise-held");
    PlanFix f = fix(trips, PlanCheck.FLOOR_TRIPS);
    assertThat(PLANS.planned(trips).floorTrips()).isEqualTo(2);
    assertThat(PLANS.planned(f.plan()).floorTrips()).isEqualTo(1);
    assertThat(Wording.fix(f)).startsWith("Swap ").endsWith("1 trip to the floor fewer");
    SessionPlan brief =
        SessionPlan.of(
            List.of(new Slot("w", "march", 60), new Slot("w2", "side-step", 60)),
            work(Format.intervals(50, 10, 2), "squat", "hinged-row").slots(Block.WORK),
            Format.intervals(50, 10, 8),
            List.of(new Slot("c", "side-reach", 60)));
    for (String rule : List.of(PlanCheck.WARM_UP_SHORT, PlanCheck.COOL_DOWN_SHORT)) {
      assertThat(said(brief)).contains(rule);
      assertThat(said(fix(brief, rule).plan())).doesNotContain(rule);
    }
    SessionPlan odd = work(Format.intervals(40, 20, 3), "side-kick-held", "one-arm-press");
    PlanBlock b = odd.blocks().get(1);
    SessionPlan byRound =
        odd.with(
            new PlanBlock(
                b.key(),
                b.block(),
                b.format(),
                PlanBlock.SideMode.BY_ROUND,
                false,
                b.rest(),
                0,
                0,
                null,
                b.slots()));
    assertThat(said(byRound)).contains(PlanCheck.ODD_ROUNDS, PlanCheck.SIDES_UNEQUAL);
    assertThat(said(fix(byRound, PlanCheck.ODD_ROUNDS).plan()))
        .doesNotContain(PlanCheck.ODD_ROUNDS, PlanCheck.SIDES_UNEQUAL);
  }

  @Test
  void aSwapOfferedLowersItsCountRaisesNoOtherAndLosesNoSlot() {
    int offered = 0;
    for (int seed = 0; seed < 60; seed++) {
      Random r = new Random(seed);
      String[] some = new String[6];
      for (int i = 0; i < some.length; i++) {
        some[i] = any(r);
      }
      SessionPlan plan = work(Format.intervals(40, 20, 2), some);
      List<PlanCheck> now = PLANS.checks(plan, PLANS.planned(plan));
      for (PlanCheck c : now) {
        PlanFix f = PlanFix.of(c, plan, PLANS::planned, PLANS::find);
        if (f == null || f.kind() != PlanFix.Kind.SWAP) {
          continue;
        }
        offered++;
        assertThat(f.plan().allSlots()).containsExactlyInAnyOrderElementsOf(plan.allSlots());
        for (PlanCheck then : PLANS.checks(f.plan(), PLANS.planned(f.plan()))) {
          int before =
              now.stream()
                  .filter(x -> x.rule().equals(then.rule()))
                  .mapToInt(PlanCheck::value)
                  .findFirst()
                  .orElse(then.rule().equals(PlanCheck.FLOOR_TRIPS) ? 1 : 0);
          if (List.of(
                  PlanCheck.FLOOR_TRIPS,
                  PlanCheck.REGION_TWICE,
                  PlanCheck.HARD_TWICE,
                  PlanCheck.SMALL_FIRST,
                  PlanCheck.BICEPS_FIRST)
              .contains(then.rule())) {
            assertThat(then.value()).as("seed %d %s", seed, then).isLessThanOrEqualTo(before);
          }
          if (then.rule().equals(c.rule())) {
            assertThat(then.value()).isEqualTo(f.after()).isLessThan(f.before());
          }
        }
      }
    }
    assertThat(offered).as("some swaps are offered at all").isGreaterThan(10);
  }

  @ParameterizedTest
  @EnumSource(
      value = FormatKind.class,
      names = {"INTERVALS", "PAIRED", "SETS"})
  void theOrderFoundIsTheBestOfAll(FormatKind kind) {
    for (int seed = 0; seed < 25; seed++) {
      Random r = new Random(seed);
      List<Slot> slots = new ArrayList<>();
      for (int i = 0; i < 6; i++) {
        slots.add(new Slot("s" + i, any(r), null));
      }
      EnumMap<Param, Integer> v = new EnumMap<>(Param.class);
      kind.params.forEach(p -> v.put(p, Math.max(2, p.least)));
      PlanBlock b = PlanBlock.of("b", Block.WORK, new Format(kind, v, List.of(), List.of()), slots);
      Movement before = ALL.get(r.nextInt(ALL.size()));
      Movement after = ALL.get(r.nextInt(ALL.size()));
      BlockOrder.Found found = BlockOrder.best(b, before.position(), after.position(), PLANS::find);
      List<Slot> ordered = found.order().stream().map(slots::get).toList();
      assertThat(ordered).containsExactlyInAnyOrderElementsOf(slots);
      int unit = kind.pairs() ? 2 : 1;
      List<Integer> units = new ArrayList<>();
      for (int i = 0; i < 6 / unit; i++) {
        units.add(i);
      }
      String best = key(found.after());
      for (List<Integer> p : Orders.of(units)) {
        List<Slot> other = new ArrayList<>();
        p.forEach(u -> other.addAll(slots.subList(u * unit, (u + 1) * unit)));
        BlockOrder.Found as =
            BlockOrder.best(b.with(other), before.position(), after.position(), PLANS::find);
        assertThat(best).as("%s, seed %d", kind, seed).isLessThanOrEqualTo(key(as.before()));
      }
    }
  }

  private static String key(BlockOrder.Cost c) {
    return String.format(
        "%03d %03d %03d %03d %03d",
        c.floorTrips(), c.regionTwice(), c.postureChanges(), c.smallFirst(), c.halfTwice());
  }
}
