package riposo.core.group;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.Performed;
import riposo.core.adapt.Standing;
import riposo.core.dose.Loads;
import riposo.core.dose.Weight;
import riposo.core.kit.Band;
import riposo.core.kit.Room;
import riposo.core.limit.Side;
import riposo.core.movement.Kit;
import riposo.core.movement.LoadKind;
import riposo.core.movement.Movement;
import riposo.core.movement.Variant;
import riposo.core.plan.SessionPlan;

/**
 * The weights of a room over a whole group session: who takes which in each slot, and what those do
 * for whom none is left. Nobody is given more than history and caps allow, nor a band movement that
 * a limit or an accepted verdict closes.
 */
public final class KitPlan {
  private final Adapter adapter;
  private final List<Participant> people;
  private final Room room;
  private final Map<String, SessionPlan.Asked> asked = new HashMap<>();
  private final Map<String, KitShare.Shared> shared = new LinkedHashMap<>();

  /** Pieces promised to somebody who goes in the other order. */
  private final Map<String, Integer> promised = new HashMap<>();

  /** A slot's weights, and who does without. */
  public record SlotKit(KitShare.Shared shared, List<Instead> instead) {}

  private KitPlan(Adapter adapter, SessionPlan plan, List<Participant> people, Room room) {
    this.adapter = adapter;
    this.people = people;
    this.room = room;
    plan.asked().forEach(a -> asked.put(a.key(), a));
  }

  /** Weights by slot key. */
  public static Map<String, SlotKit> of(
      Adapter adapter, SessionPlan plan, LaneSheet sheet, List<Participant> people, Room room) {
    KitPlan k = new KitPlan(adapter, plan, people, room);
    for (LaneSheet.SlotLanes s : sheet.slots()) {
      k.shared.put(s.key(), k.share(s));
    }
    Map<String, SlotKit> all = new LinkedHashMap<>();
    for (LaneSheet.SlotLanes s : sheet.slots()) {
      int bands = count(room, Kit.BAND) - k.bandsUsed(s);
      List<Instead> instead = new ArrayList<>();
      KitShare.Shared weights = Objects.requireNonNull(k.shared.get(s.key()));
      for (KitShare.Want w : weights.without()) {
        Instead i = k.instead(sheet, s, w, bands);
        bands -= i.kind() == Instead.Kind.BAND ? 1 : 0;
        instead.add(i);
      }
      all.put(s.key(), new SlotKit(weights, instead));
    }
    return all;
  }

  /** The kit one person uses for a variant. */
  public static Set<Kit> kitOf(Variant v, Participant who) {
    Set<Kit> all = new LinkedHashSet<>();
    v.movement().kit().forEach(any -> first(any, who).ifPresent(all::add));
    v.modifiers().forEach(m -> first(m.anyOf, who).ifPresent(all::add));
    return all;
  }

  private static Optional<Kit> first(Set<Kit> any, Participant who) {
    return any.stream().filter(who.kit()::contains).sorted().findFirst();
  }

  /** How many the room has; 0 for kit it does not count. */
  public static int count(Room room, Kit k) {
    return switch (k) {
      case CHAIR ->
          room.chairs().stream().filter(c -> c.refused() == null).mapToInt(Room.Chair::count).sum();
      case BAND -> room.bands().stream().mapToInt(Band::count).sum();
      case STEP -> room.stepCm().size();
      case DUMBBELLS -> room.dumbbells().stream().mapToInt(Room.Dumbbell::count).sum();
      default -> 0;
    };
  }

  private int bandsUsed(LaneSheet.SlotLanes s) {
    int n = 0;
    for (Participant who : people) {
      LaneSheet.Follow f = s.of(who.id());
      n += f != null && kitOf(adapter.variant(f.form()), who).contains(Kit.BAND) ? 1 : 0;
    }
    return n;
  }

  private static boolean takesWeight(Variant v) {
    return v.movement().loadKind() == LoadKind.DUMBBELL && v.loadable();
  }

  private KitShare.Shared share(LaneSheet.SlotLanes s) {
    List<KitShare.Stock> stock = new ArrayList<>();
    room.dumbbells()
        .forEach(d -> stock.add(new KitShare.Stock(d.grams(), d.words(), d.count(), false)));
    room.standIns()
        .forEach(d -> stock.add(new KitShare.Stock(d.grams(), d.words(), d.count(), true)));
    // A start without history is the lightest dumbbell; stand-ins count where there is none.
    List<Weight> weights =
        room.dumbbells().isEmpty()
            ? room.usableBy(Room.Sitter.ANYONE).bag().weights()
            : room.dumbbells().stream().map(d -> new Weight(d.grams(), d.count())).toList();
    Integer planned = Objects.requireNonNull(asked.get(s.key())).slot().grams();
    List<KitShare.Want> wants = new ArrayList<>();
    for (Participant who : people) {
      LaneSheet.Follow f = s.of(who.id());
      if (f == null || !takesWeight(adapter.variant(f.form()))) {
        continue;
      }
      Variant v = adapter.variant(f.form());
      int hands = Math.max(1, v.handsLoaded());
      Standing st = who.standings().get(v.movement().familyId());
      Integer known = st != null && st.movementId().equals(v.movement().id()) ? st.grams() : null;
      OptionalInt lightest = Loads.lightest(hands, weights);
      int wanted = known != null ? known : lightest.orElse(0);
      if (planned != null) {
        wanted = Math.min(wanted, planned);
      }
      int cap = Loads.capGrams(v, Side.BOTH, who.caps());
      int most = Math.min(wanted, cap);
      // Under the lightest there is, no weight is the dose: nothing is short.
      if (stock.stream().anyMatch(x -> x.grams() <= most)) {
        wants.add(new KitShare.Want(who.id(), hands, wanted, cap));
      }
    }
    return KitShare.share(stock, wants);
  }

  private Instead instead(LaneSheet sheet, LaneSheet.SlotLanes s, KitShare.Want w, int bands) {
    Participant who =
        people.stream().filter(p -> p.id().equals(w.person())).findFirst().orElseThrow();
    SessionPlan.Asked a = Objects.requireNonNull(asked.get(s.key()));
    Performed band = bands > 0 ? band(s.askedId(), a, who) : null;
    if (band != null) {
      return new Instead(w.person(), Instead.Kind.BAND, band, null);
    }
    for (LaneSheet.SlotLanes other : sheet.slots()) {
      SessionPlan.Asked b = Objects.requireNonNull(asked.get(other.key()));
      LaneSheet.Follow f = other.of(w.person());
      if (b.block() != a.block()
          || other.key().equals(s.key())
          || f == null
          || takesWeight(adapter.variant(f.form()))) {
        continue;
      }
      for (KitShare.Stock x : Objects.requireNonNull(shared.get(other.key())).left()) {
        String piece = other.key() + "/" + x.words();
        if (!x.standIn()
            && x.grams() <= w.most()
            && x.count() - promised.getOrDefault(piece, 0) >= w.hands()) {
          promised.merge(piece, w.hands(), Integer::sum);
          return new Instead(w.person(), Instead.Kind.OTHER_ORDER, null, other.askedId());
        }
      }
    }
    return new Instead(w.person(), Instead.Kind.NO_WEIGHT, null, null);
  }

  /** The nearest band movement of the purpose that is open to the person; null when none is. */
  private @Nullable Performed band(String askedId, SessionPlan.Asked a, Participant who) {
    Movement target = adapter.catalogue().movement(askedId);
    for (Adapter.StandIn c : adapter.standIns(askedId)) {
      boolean band = c.movement().kit().stream().anyMatch(any -> any.equals(Set.of(Kit.BAND)));
      if (band && c.movement().purpose() == target.purpose()) {
        Performed form = adapter.form(c, who.situation(a.block().effortRaise(a.index())));
        if (form != null) {
          return form;
        }
      }
    }
    return null;
  }
}
