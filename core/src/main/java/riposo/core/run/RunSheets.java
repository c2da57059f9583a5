package riposo.core.run;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.BandGrip;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Performed;
import riposo.core.adapt.RestStretch;
import riposo.core.adapt.SharedPlan;
import riposo.core.adapt.SlotOption;
import riposo.core.adapt.SlotOptions;
import riposo.core.adapt.UpperOption;
import riposo.core.dose.Dose;
import riposo.core.dose.Held;
import riposo.core.dose.Loads;
import riposo.core.dose.WeightFinding;
import riposo.core.limit.Axis;
import riposo.core.limit.Broken;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.movement.Carry;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Stage;

/** Makes the sheet a run starts with from the adapted plan. */
public final class RunSheets {
  private final Catalogue catalogue;
  private final Adapter adapter;

  public RunSheets(Catalogue catalogue, Adapter adapter) {
    this.catalogue = catalogue;
    this.adapter = adapter;
  }

  /**
   * The sheet of one person.
   *
   * @param goalEffort effort aimed for, 1 to 10
   * @param painLine greatest pain that does not ease a movement, 0 to 10
   */
  public RunSheet one(
      UUID planId,
      String name,
      SessionPlan plan,
      AdaptedPlan adapted,
      ClientDay day,
      int goalEffort,
      int painLine) {
    return new RunSheet(
        planId,
        name,
        adapted.date(),
        adapted.timeline(),
        plan.beat(),
        List.of(
            person(
                day,
                plan,
                adapted,
                new SlotOptions(adapter).of(plan, adapted, day),
                goalEffort,
                painLine)));
  }

  /**
   * One of a group.
   *
   * @param lanes the lane each slot is done with, by its key; none where no lane serves
   * @param goalEffort effort aimed for, 1 to 10
   * @param painLine greatest pain that does not ease a movement, 0 to 10
   */
  public RunSheet.Person inGroup(
      SessionPlan plan,
      SharedPlan.Mine mine,
      ClientDay day,
      Map<String, Integer> lanes,
      int goalEffort,
      int painLine) {
    RunSheet.Person p =
        person(
            day,
            plan,
            mine.adapted(),
            new SlotOptions(adapter).of(plan, mine, day),
            goalEffort,
            painLine);
    return new RunSheet.Person(
        p.id(),
        p.effortCap(),
        p.breathlessCap(),
        p.painLine(),
        p.share(),
        p.slots().stream()
            .map(
                s ->
                    s.shared(
                        lanes.get(s.key()),
                        mine.out().getOrDefault(s.key(), Set.of()),
                        mine.shares().get(s.key())))
            .toList());
  }

  /** What a lane shows in a slot. */
  public RunSheet.Shown shown(String movementId) {
    Performed p = new Performed(Side.BOTH, movementId, List.of(), 100);
    return new RunSheet.Shown(form(p), catalogue.movement(movementId).position().height);
  }

  private RunSheet.Person person(
      ClientDay day,
      SessionPlan plan,
      AdaptedPlan adapted,
      Map<String, List<SlotOption>> options,
      int goalEffort,
      int painLine) {
    Integer cap = adapted.effortCap();
    int goal = cap == null ? goalEffort : Math.min(goalEffort, cap);
    Map<String, Integer> most = new HashMap<>();
    Map<String, List<Stage>> stages = new HashMap<>();
    Set<String> atOnce = new HashSet<>();
    for (SessionPlan.Asked a : plan.asked()) {
      stages.put(a.key(), a.slot().stages());
      if (a.slot().grams() != null) {
        most.put(a.key(), a.slot().grams());
      }
      if (a.block().format().phrase().contains(Side.BOTH)) {
        atOnce.add(a.key());
      }
    }
    int breathless = day.today().caps(day.caps()).cap(Axis.BREATHLESSNESS, Side.BOTH);
    return new RunSheet.Person(
        day.clientId(),
        adapted.effortCap(),
        breathless == Integer.MAX_VALUE ? null : (Integer) breathless,
        painLine,
        adapted.workShare(),
        adapted.slots().stream()
            .map(
                s ->
                    slot(
                        s,
                        stages.getOrDefault(s.slotKey(), List.of()),
                        options.getOrDefault(s.slotKey(), List.of()),
                        day,
                        atOnce.contains(s.slotKey()),
                        goal,
                        most.getOrDefault(s.slotKey(), Integer.MAX_VALUE)))
            .toList());
  }

  private RunSheet.Slot slot(
      AdaptedSlot s,
      List<Stage> stages,
      List<SlotOption> options,
      ClientDay day,
      boolean atOnce,
      int goal,
      int most) {
    List<RunSheet.Part> parts = new ArrayList<>();
    boolean finds = s.found() != null && s.found().toBeFound();
    for (RunSheet.Part part : parts(s.result().parts(), s.doses(), day, atOnce)) {
      parts.add(beside(finds ? finding(part, day, goal, most) : part, s.band()));
    }
    List<RunSheet.Option> may = new ArrayList<>();
    for (SlotOption o : options) {
      may.add(
          new RunSheet.Option(
              "o" + (may.size() + 1), o.kind(), parts(o.parts(), o.doses(), day, atOnce)));
    }
    return new RunSheet.Slot(
        s.slotKey(),
        s.block(),
        s.askedId(),
        parts,
        s.pinned(),
        s.askedBroken().stream().map(Broken::limitId).collect(Collectors.toUnmodifiableSet()),
        List.of(),
        may,
        stages,
        stretch(s.stretch()),
        upper(s.upper()),
        s.band());
  }

  private RunSheet.@Nullable Stretch stretch(@Nullable RestStretch x) {
    return x == null || x.form() == null || x.sides() == null
        ? null
        : new RunSheet.Stretch(form(x.form()), x.seconds(), x.sides());
  }

  private RunSheet.@Nullable Upper upper(@Nullable UpperOption x) {
    return x == null
        ? null
        : new RunSheet.Upper(
            x.form() == null ? null : form(x.form()), x.asked().grams(), x.taken());
  }

  private List<RunSheet.Part> parts(
      List<Performed> done, List<Dose> doses, ClientDay day, boolean atOnce) {
    List<RunSheet.Part> parts = new ArrayList<>();
    for (int i = 0; i < done.size(); i++) {
      parts.add(part(done.get(i), doses.get(i), day, atOnce));
    }
    return parts;
  }

  private RunSheet.Part part(Performed p, Dose dose, ClientDay day, boolean atOnce) {
    Caps caps = day.today().caps(day.caps());
    Held held = p.movementId() == null ? null : dose.weight();
    return new RunSheet.Part(
        form(p),
        dose,
        held == null ? null : cap(p, Side.LEFT, held.way(), caps, atOnce),
        held == null ? null : cap(p, Side.RIGHT, held.way(), caps, atOnce),
        null,
        held == null ? List.of() : Loads.steps(held.way(), hands(held.way()), day.kit().weights()));
  }

  /** The part with how its weight is found; as it is where it takes none. */
  private static RunSheet.Part finding(RunSheet.Part p, ClientDay day, int goal, int most) {
    Held held = p.dose().weight();
    if (held == null) {
      return p;
    }
    int cap =
        Stream.of(p.capLeft(), p.capRight())
            .filter(c -> c != null)
            .mapToInt(Integer::intValue)
            .min()
            .orElse(Integer.MAX_VALUE);
    int hands = hands(held.way());
    // two in one hand are no step of the kit
    WeightFinding f =
        held.way() == Carry.TWO_IN_ONE
            ? null
            : WeightFinding.of(
                held.heavier(),
                Math.min(cap, most),
                hands,
                day.kit().weights(),
                goal,
                day.today().cut());
    return new RunSheet.Part(p.form(), p.dose(), p.capLeft(), p.capRight(), f, p.weights());
  }

  /** The part with what a band beside the weight takes of its caps; as it is where none does. */
  private static RunSheet.Part beside(RunSheet.Part p, @Nullable BandGrip band) {
    if (p.dose().beside() == null || band == null || band.grip() == null) {
      return p;
    }
    int pull = band.grip().force().checkGrams();
    return new RunSheet.Part(
        p.form(),
        p.dose(),
        p.capLeft() == null ? null : (Integer) Math.max(0, p.capLeft() - pull),
        p.capRight() == null ? null : (Integer) Math.max(0, p.capRight() - pull),
        p.finding(),
        p.weights());
  }

  private static int hands(Carry way) {
    return way == Carry.EACH_HAND || way == Carry.THIGHS ? 2 : 1;
  }

  private @Nullable Integer cap(Performed p, Side hand, Carry way, Caps caps, boolean atOnce) {
    Variant v = adapter.variant(p);
    if (v.modifiers().contains(Modifier.NO_WEIGHT)) {
      return 0; // it is open without one only
    }
    int cap = Loads.capGrams(v, p.side() == Side.BOTH ? hand : p.side(), way, caps);
    if (atOnce && v.oneSided()) {
      cap = Math.min(cap, Loads.capBoth(caps, v)); // a phrase has both hands at it in between
    }
    return cap > Entry.MOST_GRAMS ? null : (Integer) cap; // nothing limits it
  }

  private RunSheet.Form form(Performed p) {
    Movement m = p.movementId() == null ? null : catalogue.movement(p.movementId());
    return m == null
        ? new RunSheet.Form(p.side(), null, null, null, null, List.of(), p.range())
        : new RunSheet.Form(
            p.side(), m.id(), m.familyId(), m.name(), m.difficulty(), p.modifiers(), p.range());
  }
}
