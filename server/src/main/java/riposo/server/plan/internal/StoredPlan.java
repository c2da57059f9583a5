package riposo.server.plan.internal;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import riposo.core.plan.Format;
import riposo.core.plan.PlanFault;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.server.platform.Json;

/** Plans as text columns; what was stored before there were blocks is read as three blocks. */
@Component
class StoredPlan {
  /** A slot of the first shape: key, movement, seconds. */
  record OldSlot(String key, String movementId, @Nullable Integer seconds) {}

  /** Intervals of the first shape. */
  record OldFormat(int work, int rest, int rounds) {}

  /** The first shape: one list each, one format; the later shape has blocks. */
  record Shape(
      @Nullable List<OldSlot> warmUp,
      @Nullable List<OldSlot> work,
      @Nullable OldFormat format,
      @Nullable List<OldSlot> coolDown) {}

  private final Json json;

  StoredPlan(Json json) {
    this.json = json;
  }

  String write(SessionPlan plan) {
    return json.write(plan);
  }

  SessionPlan read(String body) {
    Shape old = json.read(body, Shape.class);
    OldFormat f = old.format();
    if (old.work() == null || f == null) {
      // what a format never held had no effect, and is no fault of who opens the plan now
      return PlanFault.without(json.read(body, SessionPlan.class));
    }
    return SessionPlan.of(
        slots(old.warmUp()),
        slots(old.work()),
        Format.intervals(f.work(), f.rest(), f.rounds()),
        slots(old.coolDown()));
  }

  private static List<Slot> slots(@Nullable List<OldSlot> old) {
    List<Slot> slots = new ArrayList<>();
    if (old != null) {
      old.forEach(s -> slots.add(new Slot(s.key(), s.movementId(), s.seconds())));
    }
    return slots;
  }
}
