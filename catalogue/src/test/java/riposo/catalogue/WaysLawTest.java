package riposo.catalogue;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.Performed;
import riposo.core.adapt.Situation;
import riposo.core.dose.Build;
import riposo.core.dose.Dose;
import riposo.core.dose.Held;
import riposo.core.dose.Loads;
import riposo.core.dose.Sided;
import riposo.core.dose.Weight;
import riposo.core.kit.Band;
import riposo.core.limit.Act;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.movement.Carry;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Kit;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;
import riposo.core.run.DoneSet;
import riposo.core.run.Entry;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.NextDay;
import riposo.core.tolerance.School;
import riposo.core.tolerance.Steps;
import riposo.core.tolerance.Tolerance;

/** Over the whole catalogue, under seeded limits, kit and weights: what any verdict proposes. */
class WaysLawTest {
  private static final Catalogue CATALOGUE = CatalogueReader.shipped();
  private static final Adapter ADAPTER = new Adapter(CATALOGUE);
  private static final Tolerance USUAL = new Tolerance(School.PAIN_FREE, 0, 6, false, false);
  private static final LocalDate DAY = RandomLimits.DAY;
  private static final NextDay FINE = new NextDay(0, NextDay.Compared.SAME, false, Set.of());

  private final Map<Change.Kind, Integer> seen = new EnumMap<>(Change.Kind.class);

  /** A few weights, some in pairs, close enough that a step of 5 % may be among them. */
  private static List<Weight> weights(Random random) {
    List<Weight> all = new ArrayList<>();
    int grams = 500 + random.nextInt(4) * 250;
    while (grams < 12_000) {
      all.add(new Weight(grams, 1 + random.nextInt(2)));
      grams += grams * (3 + random.nextInt(40)) / 100 + 10;
    }
    return all;
  }

  /** Two bands, one of them known by one point only, long enough to be pulled a little. */
  private static List<Band> bands(Random random) {
    return List.of(
        new Band(
            "long",
            180 + random.nextInt(220),
            List.of(new Band.Measured(50, 800), new Band.Measured(100, 1400)),
            false,
            2),
        new Band(
            "short", 60 + random.nextInt(140), List.of(new Band.Measured(100, 900)), false, 1));
  }

  private static FamilySession session(
      Movement m, Side side, Integer left, Integer right, boolean over, int daysAgo) {
    List<DoneSet> sets = new ArrayList<>();
    Variant plain = CATALOGUE.variants(m).get(0);
    for (Side s : side == Side.BOTH ? List.of(Side.BOTH) : List.of(Side.LEFT, Side.RIGHT)) {
      Integer grams = s == Side.RIGHT ? right : left;
      Carry carry = plain.carry();
      Held held = grams == null || carry == null ? null : new Held(grams, grams, carry);
      Dose dose =
          new Dose(
              2,
              10,
              null,
              held == null ? null : grams,
              plain.handsLoaded(),
              null,
              false,
              held,
              null,
              null,
              null,
              null,
              null,
              2,
              null);
      sets.add(
          new DoneSet(
              new UUID(0, 1),
              m.id(),
              new DoneSet.Form(m.id(), Set.of(), 100, s),
              m.familyId(),
              dose,
              Entry.of("s1", 1, s)
                  .reps(over ? 12 : 10)
                  .grams(held == null ? null : grams)
                  .effort(5)
                  .pain(0, null)));
    }
    return new FamilySession(
        new UUID(1, daysAgo),
        DAY.minusDays(daysAgo),
        sets,
        0,
        false,
        false,
        null,
        false,
        FINE,
        null);
  }

  @Test
  void noProposalPassesALimitACapOrTheKit() {
    for (Movement m : CATALOGUE.movements()) {
      for (long seed = 0; seed < 8; seed++) {
        Random random = new Random(seed * 7919 + m.id().hashCode());
        RandomLimits limits = new RandomLimits(random.nextLong());
        Situation s =
            seed < 2
                ? RandomLimits.all(List.of())
                : new Situation(Caps.on(DAY, limits.some()), limits.kit(), Map.of());
        List<Weight> kit = weights(random);
        boolean takes = CATALOGUE.variants(m).get(0).loadable();
        Integer left = takes ? (Integer) kit.get(random.nextInt(kit.size())).grams() : null;
        boolean uneven = takes && random.nextInt(3) == 0;
        Integer right = uneven ? (Integer) kit.get(random.nextInt(kit.size())).grams() : left;
        Side side = CATALOGUE.variants(m).get(0).oneSided() || uneven ? Side.LEFT : Side.BOTH;
        boolean over = random.nextInt(4) > 0;
        List<FamilySession> sessions = new ArrayList<>();
        for (int ago = 24; ago >= 0; ago -= 4) {
          sessions.add(session(m, side, left, right, over, ago));
        }
        FamilySession last = sessions.get(sessions.size() - 1);
        Build build = new Build(null, random.nextBoolean() ? 150 + random.nextInt(40) : null);
        Steps steps =
            Steps.from(last, CATALOGUE, ADAPTER, s, kit, null, random.nextBoolean())
                .bands(last, ADAPTER, s, null, bands(random), build);
        Judgement j = USUAL.judge(sessions, steps);
        Stream.concat(Stream.of(j.change()), j.ways().stream())
            .forEach(c -> check(c, m, side, s, kit, steps, left, right));
      }
    }
    assertThat(seen.keySet())
        .contains(
            Change.Kind.LOAD_UP,
            Change.Kind.TWO_IN_ONE,
            Change.Kind.RUNG_UP,
            Change.Kind.SLOWER,
            Change.Kind.HOLD,
            Change.Kind.MORE_SETS,
            Change.Kind.BAND_BESIDE,
            Change.Kind.NONE);
  }

  private void check(
      Change c,
      Movement m,
      Side side,
      Situation s,
      List<Weight> kit,
      Steps steps,
      Integer left,
      Integer right) {
    seen.merge(c.kind(), 1, Integer::sum);
    String what = m.id() + " " + side + " " + left + "/" + right + ": " + c;
    Variant plain = CATALOGUE.variants(m).get(0);
    if (c instanceof Change.LoadUp up) {
      Sided after = up.sides() == null ? Sided.same(up.grams()) : up.sides();
      for (Side one :
          up.side() == Side.BOTH ? List.of(Side.LEFT, Side.RIGHT) : List.of(up.side())) {
        int from = one == Side.RIGHT ? right : left;
        int to = after.of(one);
        assertThat(to).as(what).isGreaterThan(from);
        assertThat(kit)
            .as(what)
            .anyMatch(w -> w.grams() == to && w.count() >= Math.max(1, plain.handsLoaded()));
        assertThat(to).as(what).isLessThanOrEqualTo(Loads.capGrams(plain, one, s.caps()));
        assertThat(to * 100L).as(what).isLessThanOrEqualTo(from * (100L + steps.percent()));
      }
    } else if (c instanceof Change.TwoInOne two) {
      assertThat(m.carries()).as(what).contains(Carry.TWO_IN_ONE);
      assertThat(Loads.steps(Carry.TWO_IN_ONE, 1, kit)).as(what).contains(two.grams());
      assertThat(two.grams())
          .as(what)
          .isLessThanOrEqualTo(Loads.capGrams(plain, Side.BOTH, Carry.TWO_IN_ONE, s.caps()));
    } else if (c instanceof Change.RungUp up) {
      assertThat(ADAPTER.open(up.movementId(), s)).as(what).isNotNull();
      assertThat(CATALOGUE.movement(up.movementId()).rung()).as(what).isGreaterThan(m.rung());
    } else if (c instanceof Change.Hold) {
      assertThat(s.caps().cap(Axis.HOLD, Side.BOTH)).as(what).isGreaterThanOrEqualTo(2);
      assertThat(m.isHold()).as(what).isFalse();
    } else if (c instanceof Change.MoreSets more) {
      assertThat(more.sets()).as(what).isEqualTo(3);
      assertThat(more.tooBig()).as(what).isNotNull();
    } else if (c instanceof Change.BandBeside band) {
      assertThat(band.tooBig()).as(what).isNotNull();
      assertThat(band.pull()).as(what).isBetween(100, left * steps.percent() * 2 / 100);
      assertThat(s.kit()).as(what).contains(Kit.BAND);
      assertThat(s.caps().cap(Axis.act(Act.BAND_LATEX), Side.BOTH)).as(what).isPositive();
      for (Side one : List.of(Side.LEFT, Side.RIGHT)) {
        assertThat(left + band.pull())
            .as(what)
            .isLessThanOrEqualTo(Loads.capGrams(plain, one, s.caps()));
      }
    } else if (c instanceof Change.LessSupport less) {
      Performed without = new Performed(side, m.id(), List.of(), 100);
      assertThat(ADAPTER.broken(without, s.caps())).as(what + less.support()).isEmpty();
    }
    if (CATALOGUE.retired(m.id())) {
      assertThat(c.kind()).as(what).isIn(Change.Kind.NONE, Change.Kind.RUNG_UP);
    }
  }
}
