package riposo.core.adapt;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import riposo.core.dose.Dose;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Kit;
import riposo.core.wording.Wording;

/** What differs between two adapted plans, slot by slot, and what they rest on that differs. */
class ComparisonTest {
  private static final LocalDate TUESDAY = LocalDate.of(2026, 11, 17);
  private static final Limit ARM =
      new Limit(
          new UUID(1, 1),
          "joint.shoulder-elevation.loaded",
          Side.RIGHT,
          80,
          Strength.FIRM,
          "physio letter",
          TUESDAY,
          TUESDAY.plusDays(3),
          null);

  private static PlanMark.SlotMark slot(String key, String movement, int distance, int reps) {
    return new PlanMark.SlotMark(
        key,
        "asked-" + key,
        List.of(new Performed(Side.BOTH, movement, List.of(), 100)),
        new Cost(0, 0, 0, 0, 0, distance, 0),
        List.of(new Dose(2, reps, null, null, 0, null, false)));
  }

  private static PlanMark mark(
      LocalDate day, List<Limit> limits, Set<Kit> kit, PlanMark.SlotMark... slots) {
    return new PlanMark(day, 1, List.of(slots), limits, kit, Map.of(1000, 2), false, 600);
  }

  @Test
  void theSameTwiceIsNoChange() {
    PlanMark m = mark(TUESDAY, List.of(ARM), Set.of(Kit.CHAIR), slot("a", "x", 1, 8));
    Comparison c = Comparison.of(m, m);
    assertThat(c.slots()).isEmpty();
    assertThat(c.same()).isEqualTo(1);
    assertThat(Wording.causes(c)).isEmpty();
    assertThat(Wording.since(c)).isEqualTo("Since Tuesday 17 Nov: nothing changed.");
  }

  @Test
  void whatAnOlderMarkDidNotSayIsNoChangeAndWhatBothSayIs() {
    Dose old = new Dose(2, 8, null, null, 1, null, false);
    Dose each = old.turns(Dose.Turns.EACH);
    assertThat(old.sameAs(each)).isTrue();
    assertThat(each.sameAs(old)).isTrue();
    assertThat(each.sameAs(old.turns(Dose.Turns.LEFT))).isFalse();
    assertThat(old.sameAs(new Dose(2, 9, null, null, 1, null, false))).isFalse();
    assertThat(old.sameAs(new Dose(2, 8, null, 1000, 1, null, false))).isFalse();
  }

  @Test
  void everyKindOfChangeIsToldApart() {
    PlanMark before =
        mark(
            TUESDAY,
            List.of(ARM),
            Set.of(Kit.CHAIR, Kit.BAND),
            slot("opens", "far", 5, 8),
            slot("opens2", "far", 5, 8),
            slot("closes", "near", 1, 8),
            slot("other", "x", 1, 8),
            slot("dose", "x", 1, 8),
            slot("gone", "x", 1, 8));
    PlanMark after =
        mark(
            TUESDAY.plusDays(7),
            List.of(),
            Set.of(Kit.CHAIR, Kit.MAT),
            slot("opens", "near", 0, 8),
            slot("opens2", "near", 0, 8),
            slot("closes", "far", 5, 8),
            slot("other", "y", 1, 8),
            slot("dose", "x", 1, 10),
            slot("new", "x", 1, 8));
    Comparison c = Comparison.of(before, after);
    assertThat(c.slots())
        .extracting(Comparison.SlotChange::kind)
        .containsExactly(
            Comparison.Kind.OPENED,
            Comparison.Kind.OPENED,
            Comparison.Kind.CLOSED,
            Comparison.Kind.OTHER,
            Comparison.Kind.DOSE,
            Comparison.Kind.ASKED,
            Comparison.Kind.GONE);
    assertThat(Wording.since(c))
        .isEqualTo(
            "Since Tuesday 17 Nov: 2 slots opened, 1 closed, 1 took another form, 1 asked for"
                + " otherwise, 1 gone from the plan, 1 dose changed.");
    assertThat(Wording.causes(c))
        .containsExactly(
            "No longer holds: right arm raised under load ≤ 80° (physio letter, until 20 Nov, firm).",
            "In the kit now: a mat.",
            "No longer in the kit: a band.");
    assertThat(Comparison.of(after, before).count(Comparison.Kind.CLOSED)).isEqualTo(2);
  }

  @Test
  void whatIsGivenUpIsSaidInTheOrderItIsWeighed() {
    List<Performed> whole = List.of(new Performed(Side.BOTH, "x", List.of(), 100));
    assertThat(Wording.givenUp(whole, Cost.NONE)).isEmpty();
    assertThat(Wording.givenUp(whole, new Cost(2, 4, 6, 80, 2, 24, 1)))
        .containsExactly(
            "purpose: a neighbouring one",
            "muscles: 2 of the primary ones missed or only helped",
            "kind: another family",
            "range: 40 % of it",
            "position: another posture than asked",
            "distance: 12 points of difficulty below what is asked",
            "modifiers: 0.5");
    assertThat(
            Wording.givenUp(
                List.of(Performed.rest(Side.LEFT), new Performed(Side.RIGHT, "x", List.of(), 100)),
                Cost.ONE_RESTS.plus(Cost.NONE)))
        .containsExactly("purpose: one side rests");
  }
}
