package riposo.core.run;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Performed;
import riposo.core.adapt.RestStretch;
import riposo.core.adapt.UpperOption;
import riposo.core.dose.Dose;
import riposo.core.dose.Held;
import riposo.core.dose.Loads;
import riposo.core.limit.Broken;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.movement.Carry;
import riposo.core.movement.Catalogue;
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

  /** The sheet of one person. */
  public RunSheet one(
      UUID planId, String name, SessionPlan plan, AdaptedPlan adapted, ClientDay day) {
    return new RunSheet(
        planId,
        name,
        adapted.date(),
        adapted.timeline(),
        plan.beat(),
        List.of(person(day.clientId(), plan, adapted, day.caps())));
  }

  private RunSheet.Person person(UUID id, SessionPlan plan, AdaptedPlan adapted, Caps caps) {
    Map<String, List<Stage>> stages = new HashMap<>();
    Set<String> atOnce = new HashSet<>();
    for (SessionPlan.Asked a : plan.asked()) {
      stages.put(a.key(), a.slot().stages());
      if (a.block().format().phrase().contains(Side.BOTH)) {
        atOnce.add(a.key());
      }
    }
    return new RunSheet.Person(
        id,
        adapted.effortCap(),
        adapted.workShare(),
        adapted.slots().stream()
            .map(
                s ->
                    slot(
                        s,
                        stages.getOrDefault(s.slotKey(), List.of()),
                        caps,
                        atOnce.contains(s.slotKey())))
            .toList());
  }

  private RunSheet.Slot slot(AdaptedSlot s, List<Stage> stages, Caps caps, boolean atOnce) {
    List<RunSheet.Part> parts = new ArrayList<>();
    for (int i = 0; i < s.result().parts().size(); i++) {
      parts.add(part(s.result().parts().get(i), s.doses().get(i), caps, atOnce));
    }
    return new RunSheet.Slot(
        s.slotKey(),
        s.block(),
        s.askedId(),
        parts,
        s.pinned(),
        s.askedBroken().stream().map(Broken::limitId).collect(Collectors.toUnmodifiableSet()),
        s.result().next().stream()
            .map(a -> new RunSheet.Choice(a.parts().stream().map(this::form).toList()))
            .toList(),
        stages,
        stretch(s.stretch()),
        upper(s.upper()));
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

  private RunSheet.Part part(Performed p, Dose dose, Caps caps, boolean atOnce) {
    Held held = p.movementId() == null ? null : dose.weight();
    return new RunSheet.Part(
        form(p),
        dose,
        held == null ? null : cap(p, Side.LEFT, held.way(), caps, atOnce),
        held == null ? null : cap(p, Side.RIGHT, held.way(), caps, atOnce));
  }

  private @Nullable Integer cap(Performed p, Side hand, Carry way, Caps caps, boolean atOnce) {
    Variant v = adapter.variant(p);
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
