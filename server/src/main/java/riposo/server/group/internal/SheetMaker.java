package riposo.server.group.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import riposo.core.adapt.Performed;
import riposo.core.adapt.UpperOption;
import riposo.core.group.CountedRest;
import riposo.core.group.KitPlan;
import riposo.core.group.KitShare;
import riposo.core.group.LaneSheet;
import riposo.core.group.Participant;
import riposo.core.group.Watch;
import riposo.core.kit.Room;
import riposo.core.limit.Axis;
import riposo.core.limit.Side;
import riposo.core.movement.Kit;
import riposo.core.movement.Modifier;
import riposo.core.movement.Movement;
import riposo.core.movement.Position;
import riposo.core.movement.Variant;
import riposo.core.plan.Block;
import riposo.core.plan.Format;
import riposo.core.plan.Param;
import riposo.core.plan.PlanBlock;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Timeline;
import riposo.core.plan.Upper;
import riposo.core.wording.DoseWords;
import riposo.core.wording.Wording;
import riposo.server.movement.Movements;
import riposo.server.plan.Plans;

/** From lanes to the sheet a leader reads: names, exceptions, kit, who needs watching. */
@Component
class SheetMaker {
  private final Movements movements;

  SheetMaker(Movements movements) {
    this.movements = movements;
  }

  /**
   * Everything the sheet is made of.
   *
   * @param above of each the options above what is asked, by slot key
   * @param called what each person is called in the group
   */
  record Given(
      GroupRow group,
      LocalDate date,
      Plans.Plan plan,
      @Nullable Room room,
      @Nullable String roomName,
      List<Participant> people,
      Map<UUID, String> names,
      LaneSheet lanes,
      Meeting meeting,
      List<GroupSheet.SheetApart> apart,
      Map<UUID, Map<String, UpperOption>> above,
      Map<UUID, String> called) {
    String first(UUID id) {
      return called.getOrDefault(id, "?");
    }
  }

  GroupSheet make(Given g) {
    SessionPlan plan = g.plan.plan();
    Map<String, SessionPlan.Asked> asked = new HashMap<>();
    plan.asked().forEach(a -> asked.put(a.key(), a));
    List<String> laneNames = names(plan, g.lanes);
    Map<UUID, Position> before = new HashMap<>();
    Map<Kit, Integer> most = new EnumMap<>(Kit.class);
    List<GroupSheet.SheetSlot> slots = new ArrayList<>();
    Set<String> shortages = new LinkedHashSet<>();
    Watches watches = new Watches();
    Map<String, KitPlan.SlotKit> kit =
        g.room == null
            ? Map.of()
            : KitPlan.of(movements.adapter(), plan, g.lanes, g.people, g.room);
    int number = 0;
    PlanBlock in = null;
    for (LaneSheet.SlotLanes s : g.lanes.slots()) {
      SessionPlan.Asked a = Objects.requireNonNull(asked.get(s.key()));
      number = a.block() == in || in != null && in.block() == a.block().block() ? number + 1 : 1;
      in = a.block();
      Movement target = movements.adapter().catalogue().movement(s.askedId());
      Map<Integer, List<GroupSheet.SheetName>> exceptions = new TreeMap<>();
      Map<Integer, Integer> count = new TreeMap<>();
      Map<Kit, Integer> need = new EnumMap<>(Kit.class);
      KitPlan.SlotKit weights =
          kit.getOrDefault(
              s.key(),
              new KitPlan.SlotKit(new KitShare.Shared(List.of(), List.of(), List.of()), List.of()));
      Map<UUID, String> instead = new HashMap<>();
      weights.instead().forEach(i -> instead.put(i.person(), movements.wording().instead(i)));
      Map<Integer, Map<String, List<String>>> taken = new TreeMap<>();
      for (KitShare.Given x : weights.shared().given()) {
        LaneSheet.Follow f = s.of(x.person());
        if (f != null) {
          taken
              .computeIfAbsent(f.lane(), n -> new LinkedHashMap<>())
              .computeIfAbsent(
                  x.stock().words() + (x.hands() == 2 ? " each hand" : ""), n -> new ArrayList<>())
              .add(g.first(x.person()));
        }
      }
      if (!weights.instead().isEmpty()) {
        shortages.add(
            "Slot "
                + number
                + ": weights for "
                + weights.shared().given().size()
                + " of "
                + (weights.shared().given().size() + weights.instead().size())
                + "; "
                + weights.instead().stream()
                    .map(w -> g.first(w.person()))
                    .sorted()
                    .collect(Collectors.joining(", "))
                + (weights.instead().size() == 1 ? " goes" : " go")
                + " another way, said at the slot.");
      }
      for (Participant who : g.people) {
        LaneSheet.Follow f = s.of(who.id());
        if (f == null) {
          continue;
        }
        count.merge(f.lane(), 1, Integer::sum);
        Variant v = movements.adapter().variant(f.form());
        List<String> words = new ArrayList<>();
        Integer home = g.lanes.home().get(who.id());
        if (home != null && home != f.lane()) {
          words.add("usually " + laneNames.get(home));
        }
        if (!f.form().modifiers().isEmpty()) {
          words.add(form(f.form()));
        }
        String other = instead.get(who.id());
        if (other != null) {
          words.add(other);
        }
        UpperOption above = upper(g, who.id(), s.key());
        if (above != null && above.taken()) {
          words.add("takes the option above: " + movements.wording().upper(above.asked()));
        }
        if (!words.isEmpty()) {
          exceptions
              .computeIfAbsent(f.lane(), x -> new ArrayList<>())
              .add(new GroupSheet.SheetName(who.id(), g.first(who.id()), String.join(", ", words)));
        }
        for (Watch w : Watch.of(who, s.key(), v, before.get(who.id()), rest(a.block()))) {
          watches.add(w, a.block().block(), number);
        }
        before.put(who.id(), v.position());
        KitPlan.kitOf(v, who).forEach(k -> need.merge(k, 1, Integer::sum));
      }
      need.forEach((k, n) -> most.merge(k, n, Math::max));
      Integer chairs = g.room == null ? null : (Integer) KitPlan.count(g.room, Kit.CHAIR);
      if (chairs != null && need.getOrDefault(Kit.CHAIR, 0) > chairs) {
        shortages.add(
            "Slot "
                + number
                + " wants "
                + need.get(Kit.CHAIR)
                + " chairs, the room has "
                + chairs
                + ".");
      }
      List<GroupSheet.SheetCell> cells = new ArrayList<>();
      for (int lane = 0; lane < g.lanes.lanes(); lane++) {
        String id = s.shown().get(lane);
        cells.add(
            new GroupSheet.SheetCell(
                lane,
                id,
                id == null ? null : movements.adapter().catalogue().movement(id).name(),
                count.getOrDefault(lane, 0),
                exceptions.getOrDefault(lane, List.of()),
                taken.getOrDefault(lane, Map.of()).entrySet().stream()
                    .map(
                        e ->
                            e.getKey()
                                + ": "
                                + e.getValue().stream().sorted().collect(Collectors.joining(", ")))
                    .toList()));
      }
      slots.add(
          new GroupSheet.SheetSlot(
              s.key(),
              a.block().block(),
              number,
              target.purpose().words,
              target.name(),
              DoseWords.asked(a),
              cells,
              s.alone().stream().map(x -> alone(g, x)).toList(),
              s.changed(),
              upper(g, a)));
    }
    List<GroupSheet.SheetLane> lanes = lanes(g, plan, laneNames);
    return new GroupSheet(
        g.group.id,
        g.group.name,
        g.date,
        g.plan.id(),
        g.plan.name(),
        g.roomName,
        g.group.roomId,
        lanes.stream().mapToInt(l -> l.timeline().total()).max().orElse(g.plan.timeline().total()),
        lanes,
        slots,
        people(g),
        watches.told(g),
        g.apart,
        most.entrySet().stream()
            .map(
                e ->
                    new GroupSheet.SheetKit(
                        e.getKey().words,
                        e.getValue(),
                        counted(e.getKey()) && g.room != null
                            ? (Integer) KitPlan.count(g.room, e.getKey())
                            : null))
            .toList(),
        List.copyOf(shortages),
        g.meeting.kept() != null);
  }

  private static @Nullable UpperOption upper(Given g, UUID who, String key) {
    return g.above.getOrDefault(who, Map.of()).get(key);
  }

  /** The option above what a slot asks, with those who may do it; null where there is none. */
  private GroupSheet.@Nullable SheetUpper upper(Given g, SessionPlan.Asked a) {
    Upper named = a.slot().upper();
    if (named == null) {
      return null;
    }
    List<GroupSheet.SheetMay> may = new ArrayList<>();
    Performed form = null;
    for (Participant who : g.people) {
      UpperOption u = upper(g, who.id(), a.key());
      if (u != null) {
        form = u.form();
        may.add(new GroupSheet.SheetMay(who.id(), g.first(who.id()), u.taken()));
      }
    }
    return new GroupSheet.SheetUpper(
        movements.wording().upper(named),
        form == null ? null : form.movementId(),
        form == null ? List.of() : form.modifiers(),
        named.grams(),
        may);
  }

  private List<GroupSheet.SheetPerson> people(Given g) {
    List<GroupSheet.SheetPerson> people = new ArrayList<>();
    for (Participant who : g.people) {
      boolean moved = g.meeting.moved().containsKey(who.id());
      Map<String, Integer> broken = new LinkedHashMap<>();
      for (LaneSheet.SlotLanes s : g.lanes.slots()) {
        s.alone().stream()
            .filter(x -> moved && x.person().equals(who.id()))
            .flatMap(x -> Wording.broken(x.broken()).stream())
            .forEach(b -> broken.merge(b, 1, Integer::sum));
      }
      people.add(
          new GroupSheet.SheetPerson(
              who.id(),
              g.names.getOrDefault(who.id(), "?"),
              g.lanes.home().get(who.id()),
              moved,
              g.meeting.dropIns().contains(who.id()),
              broken.entrySet().stream()
                  .map(
                      e -> e.getKey() + (e.getValue() > 1 ? ", in " + e.getValue() + " slots" : ""))
                  .toList()));
    }
    people.sort(Comparator.comparing(GroupSheet.SheetPerson::name));
    return people;
  }

  private GroupSheet.SheetName alone(Given g, LaneSheet.Alone x) {
    String own = movements.wording().parts(x.own().parts());
    List<String> why = Wording.broken(x.broken());
    return new GroupSheet.SheetName(
        x.person(), g.first(x.person()), own + (why.isEmpty() ? "" : "; the lane " + why.get(0)));
  }

  private String form(Performed p) {
    return p.modifiers().stream()
        .map(m -> m == Modifier.RANGE ? "to " + p.range() + " % of the range" : m.words)
        .collect(Collectors.joining(", "));
  }

  /** Lanes by where their movements mostly are; of two alike the easier one is the gentler. */
  List<String> names(SessionPlan plan, LaneSheet sheet) {
    Set<String> work =
        plan.asked().stream()
            .filter(a -> a.block().block() == Block.WORK)
            .map(SessionPlan.Asked::key)
            .collect(Collectors.toSet());
    List<String> names = new ArrayList<>();
    List<Double> difficulty = new ArrayList<>();
    for (int lane = 0; lane < sheet.lanes(); lane++) {
      Map<String, Integer> count = new LinkedHashMap<>();
      int sum = 0;
      int n = 0;
      for (LaneSheet.SlotLanes s : sheet.slots()) {
        String id = s.shown().get(lane);
        if (id != null && (work.isEmpty() || work.contains(s.key()))) {
          Movement m = movements.adapter().catalogue().movement(id);
          int h = m.position().height;
          count.merge(
              h <= 1 ? "Floor" : h == 2 ? "Chair" : h == 3 ? "Hand on support" : "Free",
              1,
              Integer::sum);
          sum += m.difficulty();
          n++;
        }
      }
      names.add(
          count.entrySet().stream()
              .max(Map.Entry.comparingByValue())
              .map(Map.Entry::getKey)
              .orElse("Spare"));
      difficulty.add(n == 0 ? 0 : (double) sum / n);
    }
    List<String> told = new ArrayList<>();
    for (int lane = 0; lane < names.size(); lane++) {
      int harder = 0;
      for (int other = 0; other < names.size(); other++) {
        if (other != lane
            && names.get(other).equals(names.get(lane))
            && (difficulty.get(other) > difficulty.get(lane)
                || difficulty.get(other).equals(difficulty.get(lane)) && other < lane)) {
          harder++;
        }
      }
      told.add(
          names.get(lane)
              + (harder == 0
                  ? ""
                  : harder == 1 ? ", gentler" : harder == 2 ? ", gentlest" : ", last"));
    }
    return told;
  }

  /** Somebody under their lane, with in how many slots where it is not all; empty where in none. */
  private static Optional<String> within(Given g, UUID who, int lane) {
    long there =
        g.lanes.slots().stream()
            .map(s -> s.of(who))
            .filter(f -> f != null && f.lane() == lane)
            .count();
    int all = g.lanes.slots().size();
    return there == 0
        ? Optional.empty()
        : Optional.of(g.first(who) + (there == all ? "" : ", " + there + " of " + all + " slots"));
  }

  private List<GroupSheet.SheetLane> lanes(Given g, SessionPlan plan, List<String> names) {
    List<GroupSheet.SheetLane> views = new ArrayList<>();
    List<Map<String, String>> lanes = new ArrayList<>();
    for (int lane = 0; lane < g.lanes.lanes(); lane++) {
      Map<String, String> shown = new HashMap<>();
      for (LaneSheet.SlotLanes s : g.lanes.slots()) {
        String id = s.shown().get(lane);
        if (id == null) {
          // the lane shows nothing of its own: its people are where most of them go
          int at = lane;
          id =
              s.follows().stream()
                  .filter(f -> Integer.valueOf(at).equals(g.lanes.home().get(f.person())))
                  .collect(
                      Collectors.groupingBy(
                          f -> String.valueOf(f.form().movementId()),
                          TreeMap::new,
                          Collectors.counting()))
                  .entrySet()
                  .stream()
                  .max(Map.Entry.comparingByValue())
                  .map(Map.Entry::getKey)
                  .orElse(null);
        }
        if (id != null) {
          shown.put(s.key(), id);
        }
      }
      lanes.add(shown);
    }
    CountedRest rest =
        CountedRest.of(
            plan,
            g.people,
            cap ->
                lanes.stream()
                    .mapToInt(x -> movements.planAdapter().shown(plan, x, cap).total())
                    .max()
                    .orElse(0));
    for (int lane = 0; lane < g.lanes.lanes(); lane++) {
      Timeline t = movements.planAdapter().shown(plan, lanes.get(lane), rest.cap());
      int at = lane;
      views.add(
          new GroupSheet.SheetLane(
              lane,
              names.get(lane),
              g.people.stream()
                  .filter(p -> Integer.valueOf(at).equals(g.lanes.home().get(p.id())))
                  .flatMap(p -> within(g, p.id(), at).stream())
                  .sorted()
                  .toList(),
              g.people.stream()
                  .filter(p -> Integer.valueOf(at).equals(g.lanes.home().get(p.id())))
                  .flatMap(
                      p ->
                          Stream.concat(
                                  plan.blocks().stream().flatMap(b -> share(p, b).stream()),
                                  counted(g, rest, p).stream())
                              .distinct()
                              .map(w -> new GroupSheet.SheetName(p.id(), g.first(p.id()), w)))
                  .toList(),
              t));
    }
    return views;
  }

  private static int rest(PlanBlock b) {
    for (Param p : new Param[] {Param.REST, Param.BETWEEN, Param.OFF}) {
      Integer v = b.format().values().get(p);
      if (v != null) {
        return v;
      }
    }
    return 0;
  }

  /** "15 of each 30 s" under a work-for-rest cap. */
  private static List<String> share(Participant who, PlanBlock b) {
    Integer work = b.format().values().get(Param.WORK);
    int cap = who.caps().cap(Axis.WORK_PER_REST, Side.BOTH);
    boolean shared = b.block() == Block.WORK && !b.format().kind().countKept();
    if (work == null || !shared || cap == Integer.MAX_VALUE) {
      return List.of();
    }
    int rest = b.format().values().getOrDefault(Param.REST, 0);
    int within = Format.workWithin(work, rest, cap);
    return within < work
        ? List.of("works " + within + " of each " + (work + rest) + " s")
        : List.of();
  }

  /** What the group's counted work does for somebody who needs the longer rest. */
  private static List<String> counted(Given g, CountedRest rest, Participant who) {
    CountedRest.Over over = rest.first();
    return rest.whose().contains(who.id())
        ? List.of(Wording.counted(rest, over == null ? null : g.first(over.person())))
        : List.of();
  }

  private static boolean counted(Kit k) {
    return k == Kit.CHAIR || k == Kit.BAND || k == Kit.DUMBBELLS || k == Kit.STEP;
  }
}
