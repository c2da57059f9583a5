package riposo.server.adapt;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Cost;
import riposo.core.adapt.Pin;
import riposo.core.adapt.TodayDose;
import riposo.core.dose.Dose;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Modifier;
import riposo.core.plan.Block;
import riposo.core.plan.Timeline;
import riposo.core.run.RunSheet;
import riposo.core.tolerance.Verdict;

/** Plans adapted for clients, for the other modules. */
public interface AdaptedPlans {
  /** One thing done in a slot, with all that a screen or a run needs of it. */
  record PartView(
      Side side,
      @Nullable String movementId,
      @Nullable String familyId,
      String title,
      List<Modifier> modifiers,
      int range,
      List<String> cues,
      boolean breathe,
      Dose dose,
      String doseText) {}

  /** A nearer movement that was not taken. */
  record RejectionView(String movementId, String name, List<String> sentences, boolean mendable) {}

  /**
   * A permitted alternative.
   *
   * @param givenUp what it gives up, in words
   */
  record AlternativeView(
      String movementId, List<Modifier> modifiers, int range, String title, List<String> givenUp) {}

  /**
   * What a choice costs, both sides together.
   *
   * @param kind null in what was stored before it was reckoned
   */
  record CostView(
      int purpose,
      int muscles,
      @Nullable Integer kind,
      int range,
      int position,
      int modifiers,
      int distance) {
    public static CostView of(Cost c) {
      return new CostView(
          c.purpose(), c.muscles(), c.kind(), c.range(), c.position(), c.modifiers(), c.distance());
    }
  }

  /** A limit that closes the movement asked for. */
  record LiftView(UUID limitId, String words, String source, boolean firm) {}

  /**
   * A slot of an adapted plan.
   *
   * @param stages of a staged set, in words; null elsewhere
   * @param weight which weight it is begun with; null where it takes none
   * @param stretch what fills the rests, in words; null where no stretch is to
   * @param band which band and where it is gripped, in words; null where the plan asks for none
   * @param upper the option above what is asked that is open to this client; null for none
   * @param tasks tasks of the day that what is done serves
   * @param serves those of them that the client's goal names
   * @param gap what a gap takes off the family, and what ends it; null where there is none
   * @param proposed what the record proposes; null where there is nothing to say
   */
  record SlotView(
      String key,
      Block block,
      String purpose,
      String askedId,
      String askedName,
      boolean asAsked,
      String title,
      List<String> reasons,
      List<PartView> parts,
      List<RejectionView> rejections,
      List<AlternativeView> next,
      CostView cost,
      List<String> givenUp,
      List<LiftView> closers,
      boolean pinned,
      boolean released,
      boolean rest,
      String stairFamilyId,
      @Nullable List<String> stages,
      @Nullable SlotWeight weight,
      @Nullable String stretch,
      @Nullable String band,
      @Nullable UpperView upper,
      List<String> tasks,
      List<String> serves,
      @Nullable String gap,
      @Nullable ProposedView proposed) {}

  /**
   * What the record proposes for the family of a slot, or what was decided since the last session.
   *
   * @param waits it is to be decided
   * @param open it can be accepted as it is
   */
  record ProposedView(
      UUID verdictId, long version, Verdict says, String sentence, boolean waits, boolean open) {}

  /**
   * An option above what is asked.
   *
   * @param words "Chair dip, one leg out", "the same, slower"
   * @param movementId what is taken; null where it is the same with more weight
   * @param grams as printed; null where it is another form
   */
  record UpperView(
      String words,
      @Nullable String movementId,
      List<Modifier> modifiers,
      @Nullable Integer grams,
      boolean taken) {}

  /**
   * The weight of a slot.
   *
   * @param grams as printed; 0 for none
   * @param words which, from where, and what leaves less
   * @param set by hand
   * @param finding still to be found by effort
   */
  record SlotWeight(int grams, String words, boolean set, boolean finding) {}

  /**
   * An order of a block in which this client goes to the floor less often.
   *
   * @param order indexes into the block's slots
   * @param words what is gained
   */
  record ClientOrderView(String blockKey, List<Integer> order, String words) {}

  /**
   * An adapted plan.
   *
   * @param beat beats a minute, locked in the run; null for none
   * @param goals each task of the day the client's goal names, and what here serves it
   * @param orders blocks that another order would spare trips to the floor; null when none
   */
  record AdaptedView(
      UUID planId,
      String planName,
      LocalDate date,
      List<SlotView> slots,
      Timeline planned,
      Timeline timeline,
      List<String> checks,
      List<String> sessionProblems,
      @Nullable Strength sessionStrength,
      @Nullable Integer effortCap,
      @Nullable String workNote,
      @Nullable Integer beat,
      List<String> goals,
      @Nullable List<ClientOrderView> orders) {}

  AdaptedView view(UUID clientId, UUID planId, LocalDate date);

  /**
   * A plan ready to be run by one client.
   *
   * @param problems what limits on the session as a whole say against it
   * @param strength of the strongest of them; null when there is none
   */
  record Ready(RunSheet sheet, List<String> problems, @Nullable Strength strength) {}

  /** The sheet of the plan adapted to today's dose as well. */
  Ready ready(UUID clientId, UUID planId, LocalDate date, TodayDose today);

  AdaptedPlan adapt(UUID clientId, UUID planId, LocalDate date);

  /** The same for a client's day put together elsewhere, as in the room of a group. */
  AdaptedPlan adapt(UUID planId, ClientDay day);

  /** A day with the weights set by hand for a plan. */
  ClientDay prepared(UUID planId, ClientDay day);

  /** The professional's choices for a client in a plan, by slot key. */
  Map<String, Pin> pinned(UUID planId, UUID clientId);
}
