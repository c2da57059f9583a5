package riposo.server.group.internal;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.movement.Modifier;
import riposo.core.plan.Block;
import riposo.core.plan.Timeline;

/**
 * The group sheet of a day.
 *
 * @param totalSeconds the longest lane: the clock is shared
 * @param watch who needs watching, each once with the slots it holds for
 * @param apart who is not started with the group, and why
 * @param room null when the group has none: everybody's own kit counts
 * @param roomId as above
 */
record GroupSheet(
    UUID groupId,
    String name,
    LocalDate date,
    UUID planId,
    String planName,
    @Nullable String room,
    @Nullable UUID roomId,
    int totalSeconds,
    List<SheetLane> lanes,
    List<SheetSlot> slots,
    List<SheetPerson> people,
    List<SheetWatch> watch,
    List<SheetApart> apart,
    List<SheetKit> kit,
    List<String> shortages,
    boolean kept) {
  /**
   * A lane: its name, who is in it, and its contour.
   *
   * @param people who follows it, and in how many slots where it is not all: "Odile, 5 of 8"
   * @param notes what holds for somebody in every slot, such as a work-for-rest cap
   */
  record SheetLane(
      int lane, String name, List<String> people, List<SheetName> notes, Timeline timeline) {}

  /** Somebody, and a few words. */
  record SheetName(UUID clientId, String name, String text) {}

  /**
   * What a lane shows in a slot.
   *
   * @param title null when the lane shows nothing of its own here
   * @param weights who takes which weight, in words
   * @param exceptions by name: another form, another weight, another lane
   */
  record SheetCell(
      int lane,
      @Nullable String movementId,
      @Nullable String title,
      int people,
      List<SheetName> exceptions,
      List<String> weights) {}

  /**
   * Somebody who needs watching.
   *
   * @param reasons what to look for, each with the slots it holds for
   */
  record SheetWatch(UUID clientId, String name, List<String> reasons) {}

  /**
   * The option above what a slot asks, and who may do it.
   *
   * @param words "Chair dip, one leg out"
   * @param movementId what is taken; null where it is the same with more weight
   * @param grams as printed; null where it is another form
   */
  record SheetUpper(
      String words,
      @Nullable String movementId,
      List<Modifier> modifiers,
      @Nullable Integer grams,
      List<SheetMay> may) {}

  /** Somebody who may do the upper option, and whether it was taken for them. */
  record SheetMay(UUID clientId, String name, boolean taken) {}

  /**
   * One slot across the lanes.
   *
   * @param work the slot's time in words, "2 × 40 s, rest 20 s"
   * @param alone who follows no lane, with their own alternative and why
   * @param changed searched anew for somebody who dropped in
   * @param upper the option above what is asked; null where the plan names none
   */
  record SheetSlot(
      String key,
      Block block,
      int number,
      String purpose,
      String asked,
      String work,
      List<SheetCell> cells,
      List<SheetName> alone,
      boolean changed,
      @Nullable SheetUpper upper) {}

  /**
   * A participant.
   *
   * @param lane the lane of most slots; null for somebody alone throughout
   * @param reasons how many slots a lane chosen by hand does not serve, in words; empty otherwise
   */
  record SheetPerson(
      UUID clientId,
      String name,
      @Nullable Integer lane,
      boolean moved,
      boolean dropIn,
      List<String> reasons) {}

  /** Somebody who is not started with the group. */
  record SheetApart(UUID clientId, String name, String outcome, List<String> reasons) {}

  /**
   * Kit over the session.
   *
   * @param most most wanted at once
   * @param have how many there are; null when the room does not say
   */
  record SheetKit(String words, int most, @Nullable Integer have) {}
}
