package riposo.server.group.internal;

import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.adapt.AdaptedSlot;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Performed;
import riposo.core.adapt.UpperOption;
import riposo.core.group.Called;
import riposo.core.group.LaneSheet;
import riposo.core.group.Lanes;
import riposo.core.group.Participant;
import riposo.core.kit.Room;
import riposo.core.limit.Side;
import riposo.core.run.StartGate;
import riposo.server.adapt.AdaptedPlans;
import riposo.server.adapt.ClientDays;
import riposo.server.client.Clients;
import riposo.server.movement.Movements;
import riposo.server.plan.Plans;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.OncePerRead;
import riposo.server.platform.Problems;
import riposo.server.platform.ReadAhead;
import riposo.server.platform.RowsOf;
import riposo.server.platform.Stamped;
import riposo.server.platform.Stamps;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.screening.Readiness;

/** One meeting of a group: who is there, the lanes, and what was changed by hand. */
@Service
@Transactional
class MeetingService {
  /** Somebody, for a meeting. */
  record Who(@NotNull(message = "Say who.") UUID clientId) {}

  /** Somebody away, or back. */
  record Away(@NotNull(message = "Say who.") UUID clientId, boolean away) {}

  /**
   * Somebody to another lane.
   *
   * @param lane null puts them back where they were found
   */
  record Move(
      @NotNull(message = "Say who.") UUID clientId,
      @Nullable @Min(value = 0, message = "There is no such lane.") Integer lane) {}

  private record Key(UUID group, LocalDate date) {}

  /**
   * All that a sheet rests on besides its key: the group's row, this meeting, and what stamps tell.
   */
  private record Under(
      long version,
      @Nullable UUID plan,
      long planVersion,
      @Nullable UUID room,
      int lanes,
      String name,
      Set<UUID> here,
      Meeting meeting,
      Map<UUID, Long> stamps,
      LocalDate today) {}

  private record PersonKey(UUID client, LocalDate date, @Nullable UUID room, UUID plan) {}

  private record PersonUnder(long client, long studio, long planVersion, LocalDate today) {}

  /**
   * Somebody of a group, on a day, in a room.
   *
   * @param of null for who is not started with the group
   * @param apart why not; null for who is
   * @param above the options above what is asked, by slot key
   */
  private record Person(
      String name,
      @Nullable Participant of,
      GroupSheet.@Nullable SheetApart apart,
      Map<String, UpperOption> above) {}

  /** As it is looked at; who starts is found and fitted anew. */
  private final Stamped<Key, Under, GroupSheet> known = new Stamped<>(200);

  /** Whose day is as it was when one of the others changed. */
  private final Stamped<PersonKey, PersonUnder, Person> persons = new Stamped<>(1_000);

  private final Stamps stamps;
  private final Movements movements;
  private final GroupStore store;
  private final RowsOf<MemberRow> members;
  private final ReadAhead ahead;
  private final SessionStore sessions;
  private final Clients clients;
  private final ClientDays days;
  private final Plans plans;
  private final AdaptedPlans adapted;
  private final Readiness readiness;
  private final SheetMaker maker;
  private final Json json;
  private final Audit audit;
  private final Studios studios;

  MeetingService(
      Movements movements,
      GroupStore store,
      MemberStore members,
      SessionStore sessions,
      ReadAhead ahead,
      Clients clients,
      ClientDays days,
      Plans plans,
      AdaptedPlans adapted,
      Readiness readiness,
      SheetMaker maker,
      Json json,
      Audit audit,
      Studios studios,
      Stamps stamps) {
    this.stamps = stamps;
    this.movements = movements;
    this.store = store;
    this.members = new RowsOf<>(members::findByGroupIdIn, m -> m.groupId);
    this.ahead = ahead;
    this.sessions = sessions;
    this.clients = clients;
    this.days = days;
    this.plans = plans;
    this.adapted = adapted;
    this.readiness = readiness;
    this.maker = maker;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
  }

  /** Who belongs to a group. */
  List<UUID> members(UUID group) {
    return members.of(group).stream().map(m -> m.clientId).toList();
  }

  Set<UUID> present(GroupRow g, Meeting m) {
    Set<UUID> all = new LinkedHashSet<>(members(g.id));
    all.addAll(m.dropIns());
    all.removeAll(m.absent());
    return all;
  }

  @Transactional(readOnly = true)
  GroupSheet sheet(UUID id, @Nullable LocalDate date) {
    LocalDate day = date == null ? studios.today() : date;
    Meeting m = meeting(id, day);
    GroupRow g = store.require(id, "group");
    Set<UUID> here = present(g, m);
    Set<UUID> named = new LinkedHashSet<>(here);
    named.addAll(m.absent());
    Under now =
        new Under(
            g.version,
            g.planId,
            g.planId == null ? 0 : plans.require(g.planId).version(),
            g.roomId,
            g.lanes,
            g.name,
            here,
            m,
            stamps.of(named),
            studios.today());
    return known.of(new Key(id, day), now, () -> maker.make(given(id, day, m)));
  }

  /** Somebody comes; the others keep their lanes where that is possible. */
  GroupSheet dropIn(UUID id, LocalDate date, Who who) {
    Clients.Client c = clients.requireActive(who.clientId());
    Meeting m = meeting(id, date);
    GroupRow g = store.require(id, "group");
    Set<UUID> here = present(g, m);
    if (here.contains(c.id())) {
      throw Problems.refused("in-already", c.name() + " is in this group already.");
    }
    if (here.size() >= Lanes.MOST_PEOPLE) {
      throw Problems.refused("full", "A group has 32 people at most.");
    }
    SheetMaker.Given now = given(id, date, m);
    save(id, date, m.with(c.id(), keep(now)));
    audit.changed("dropped in", "group", id, c.name(), c.id());
    return sheet(id, date);
  }

  /** Somebody stays away today, or comes after all. */
  GroupSheet away(UUID id, LocalDate date, Away body) {
    GroupRow g = store.require(id, "group");
    Meeting m = meeting(id, date);
    if (m.dropIns().contains(body.clientId()) && body.away()) {
      save(id, date, m.without(body.clientId()));
    } else {
      clients.require(body.clientId());
      save(id, date, m.away(body.clientId(), body.away()));
    }
    audit.changed(
        body.away() ? "away" : "back", "group", id, g.name + ", " + date, body.clientId());
    return sheet(id, date);
  }

  /** Puts somebody in a lane; every slot is checked again. */
  GroupSheet move(UUID id, LocalDate date, Move body) {
    GroupRow g = store.require(id, "group");
    Meeting m = meeting(id, date);
    if (body.lane() != null && body.lane() >= g.lanes) {
      throw Problems.field("/lane", "This group has " + g.lanes + " lanes.");
    }
    if (!present(g, m).contains(body.clientId())) {
      throw Problems.notFound("participant", body.clientId());
    }
    save(id, date, m.moved(body.clientId(), body.lane()));
    audit.changed(
        "moved",
        "group",
        id,
        body.lane() == null ? "back to the lane found" : "to lane " + (body.lane() + 1),
        body.clientId());
    return sheet(id, date);
  }

  /** Forgets lanes kept and moves made: the search decides anew. */
  GroupSheet anew(UUID id, LocalDate date) {
    Meeting m = meeting(id, date);
    save(id, date, new Meeting(m.dropIns(), m.absent(), Map.of(), null));
    audit.changed("laid out anew", "group", id, date.toString());
    return sheet(id, date);
  }

  Meeting meeting(UUID group, LocalDate date) {
    store.require(group, "group");
    return OncePerRead.of(
        Meeting.class,
        Map.entry(group, date),
        () ->
            sessions
                .findByGroupIdAndOnDate(group, date)
                .map(s -> json.read(s.body, Meeting.class))
                .orElse(Meeting.NONE));
  }

  /** Reads who is in these groups and what is decided for their meetings on these days. */
  void readAhead(Collection<GroupRow> groups, Collection<LocalDate> days) {
    List<UUID> ids = groups.stream().map(g -> g.id).toList();
    if (ids.isEmpty() || days.isEmpty()) {
      return;
    }
    members.ahead(ids);
    OncePerRead.ahead(
        Meeting.class,
        ids.stream().flatMap(g -> days.stream().map(d -> Map.entry(g, d))).toList(),
        wanted ->
            sessions.findByGroupIdInAndOnDateGreaterThanEqual(ids, Collections.min(days)).stream()
                .collect(
                    Collectors.toMap(
                        s -> Map.entry(s.groupId, s.onDate),
                        s -> json.read(s.body, Meeting.class),
                        (a, b) -> a)),
        Meeting.NONE);
  }

  private void save(UUID group, LocalDate date, Meeting m) {
    SessionRow row = sessions.findByGroupIdAndOnDate(group, date).orElseGet(SessionRow::new);
    if (row.groupId == null) {
      row.createdAt = studios.now();
      row.groupId = group;
      row.onDate = date;
    }
    row.body = json.write(m);
    sessions.saveAndFlush(row);
  }

  private static Meeting.Kept keep(SheetMaker.Given g) {
    Map<String, List<@Nullable String>> shown = new LinkedHashMap<>();
    Map<String, Map<UUID, Integer>> lane = new LinkedHashMap<>();
    for (LaneSheet.SlotLanes s : g.lanes().slots()) {
      shown.put(s.key(), s.shown());
      Map<UUID, Integer> by = new LinkedHashMap<>();
      s.follows().forEach(f -> by.put(f.person(), f.lane()));
      lane.put(s.key(), by);
    }
    return new Meeting.Kept(
        g.plan().id(), g.plan().version(), g.group().lanes, shown, lane, g.lanes().home());
  }

  private static LaneSheet kept(Meeting.Kept k, Plans.Plan plan) {
    Map<String, String> asked = new HashMap<>();
    plan.plan().asked().forEach(a -> asked.put(a.key(), a.slot().movementId()));
    List<LaneSheet.SlotLanes> slots = new ArrayList<>();
    k.shown()
        .forEach(
            (key, shown) -> {
              List<LaneSheet.Follow> follows = new ArrayList<>();
              k.lane()
                  .getOrDefault(key, Map.of())
                  .forEach(
                      (who, lane) ->
                          follows.add(
                              new LaneSheet.Follow(
                                  who,
                                  lane,
                                  new Performed(Side.BOTH, shown.get(lane), List.of(), 100))));
              slots.add(
                  new LaneSheet.SlotLanes(
                      key, asked.getOrDefault(key, ""), shown, follows, List.of(), false));
            });
    return new LaneSheet(k.lanes(), slots, k.home());
  }

  SheetMaker.Given given(UUID id, LocalDate date, Meeting m) {
    GroupRow g = store.require(id, "group");
    UUID planId = g.planId;
    if (planId == null) {
      throw Problems.refused("no-plan", "This group has no plan yet: choose one first.");
    }
    Plans.Plan plan = plans.require(planId);
    UUID roomId = g.roomId;
    Room room = roomId == null ? null : clients.room(roomId);
    Map<UUID, String> names = new HashMap<>();
    Map<UUID, Map<String, UpperOption>> above = new HashMap<>();
    List<Participant> people = new ArrayList<>();
    List<GroupSheet.SheetApart> apart = new ArrayList<>();
    persons(present(g, m), date, roomId, plan)
        .forEach(
            (who, p) -> {
              names.put(who, p.name);
              if (p.apart != null) {
                apart.add(p.apart);
              }
              if (p.of != null) {
                people.add(p.of);
              }
              above.put(who, p.above);
            });
    people.sort(Comparator.comparing(p -> names.getOrDefault(p.id(), "")));
    apart.sort(Comparator.comparing(GroupSheet.SheetApart::name));
    LaneSheet sheet;
    Meeting.Kept k = m.kept();
    if (people.isEmpty()) {
      sheet = new LaneSheet(g.lanes, List.of(), Map.of());
    } else if (k != null
        && k.planId().equals(planId)
        && k.planVersion() == plan.version()
        && k.lanes() == g.lanes) {
      sheet = movements.lanes().keep(plan.plan(), people, g.lanes, kept(k, plan));
    } else {
      sheet = movements.lanes().plan(plan.plan(), people, g.lanes);
    }
    if (!m.moved().isEmpty() && !people.isEmpty()) {
      sheet = movements.lanes().moved(plan.plan(), people, sheet, m.moved());
    }
    String roomName = roomId == null ? null : clients.roomName(roomId);
    return new SheetMaker.Given(
        g, date, plan, room, roomName, people, names, sheet, m, apart, above, Called.of(names));
  }

  private Map<UUID, Person> persons(
      Set<UUID> who, LocalDate date, @Nullable UUID roomId, Plans.Plan plan) {
    Map<UUID, Long> now = stamps.of(who);
    Map<PersonKey, PersonUnder> under = new LinkedHashMap<>();
    for (UUID id : who) {
      under.put(
          new PersonKey(id, date, roomId, plan.id()),
          new PersonUnder(
              now.getOrDefault(id, 0L),
              now.getOrDefault(StudioContext.current(), 0L),
              plan.version(),
              studios.today()));
    }
    Map<PersonKey, Person> of = persons.all(under, missing -> persons(missing, plan));
    Map<UUID, Person> all = new LinkedHashMap<>();
    under.keySet().forEach(k -> all.put(k.client, Objects.requireNonNull(of.get(k))));
    return all;
  }

  private Map<PersonKey, Person> persons(Set<PersonKey> keys, Plans.Plan plan) {
    boolean above = plan.plan().allSlots().stream().anyMatch(s -> s.upper() != null);
    ahead.of(keys.stream().map(PersonKey::client).toList(), ReadAhead.For.TRAINING);
    Map<PersonKey, Person> all = new HashMap<>();
    keys.forEach(k -> all.put(k, person(k, above)));
    return all;
  }

  private Person person(PersonKey k, boolean above) {
    String name = clients.require(k.client).name();
    GroupSheet.SheetApart apart = apart(k.client);
    if (apart != null) {
      return new Person(name, null, apart, Map.of());
    }
    ClientDay of = days.at(k.client, k.date, k.room);
    return new Person(name, Participant.of(of), null, above ? above(k.plan, of) : Map.of());
  }

  /** What the plan as somebody does it by themselves has above what is asked. */
  private Map<String, UpperOption> above(UUID planId, ClientDay of) {
    Map<String, UpperOption> above = new HashMap<>();
    for (AdaptedSlot s : adapted.adapt(planId, of).slots()) {
      if (s.upper() != null) {
        above.putIfAbsent(s.slotKey(), s.upper());
      }
    }
    return Map.copyOf(above);
  }

  /** Why somebody is not started with the group; null when nothing stands in the way. */
  GroupSheet.@Nullable SheetApart apart(UUID clientId) {
    Clients.Client c = clients.require(clientId);
    Clients.Inactive inactive = c.inactive(studios.today());
    if (inactive != null) {
      return new GroupSheet.SheetApart(
          clientId, c.name(), inactive.why().name(), List.of(inactive.sentence()));
    }
    StartGate.Closed closed = StartGate.withGroup(readiness.of(clientId).who());
    return closed == null
        ? null
        : new GroupSheet.SheetApart(clientId, c.name(), closed.bar().name(), closed.why());
  }
}
