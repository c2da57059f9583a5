package riposo.server.group.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Performed;
import riposo.core.adapt.SharedPlan;
import riposo.core.group.Called;
import riposo.core.group.CountedRest;
import riposo.core.group.Instead;
import riposo.core.group.KitPlan;
import riposo.core.group.KitShare;
import riposo.core.group.LaneSheet;
import riposo.core.group.Participant;
import riposo.core.kit.Room;
import riposo.core.limit.Axis;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Timeline;
import riposo.core.run.RunSheet;
import riposo.core.run.RunSheets;
import riposo.core.today.TodayCheck;
import riposo.core.wording.Wording;
import riposo.server.adapt.AdaptedPlans;
import riposo.server.adapt.ClientDays;
import riposo.server.client.Clients;
import riposo.server.movement.Movements;
import riposo.server.plan.Plans;
import riposo.server.platform.Audit;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.screening.TodayChecks;

/** The run of a meeting: who is asked what today, the start of all together, who comes later. */
@Service
@Transactional
class GroupRuns {
  /**
   * The start of a group.
   *
   * @param id made by the device, so that the same start sent twice is one run
   */
  record GroupStart(
      @NotNull(message = "Give the start an id.") UUID id,
      @NotEmpty(message = "Nobody is to start.")
          @Size(max = 32, message = "A group has 32 people at most.")
          List<@Valid GroupJoining> people) {}

  /**
   * Somebody who is to begin.
   *
   * @param dose another dose than the check's, with a reason; null for the check's
   */
  record GroupJoining(
      @NotNull(message = "Say who.") UUID clientId,
      @Nullable UUID checkId,
      TodayCheck.@Nullable Dose dose,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String reason) {
    Runs.Joining joining() {
      return new Runs.Joining(clientId, checkId, dose, reason);
    }
  }

  /** A run, by its id. */
  record GroupRunView(UUID runId) {}

  /**
   * Before a group starts.
   *
   * @param openRun the run of this group that goes on; null where there is none
   * @param away members who are not here today
   */
  record GroupBefore(
      UUID groupId,
      String name,
      UUID planId,
      String planName,
      @Nullable UUID openRun,
      List<GroupAsked> people,
      List<GroupSheet.SheetApart> apart) {}

  /**
   * Somebody who is to be asked.
   *
   * @param needs what is asked of them today
   * @param checked a check of today that they may start with; null where they are to be asked
   * @param inRun they are in the run that goes on
   */
  record GroupAsked(
      UUID clientId,
      String name,
      String called,
      TodayCheck.Needs needs,
      @Nullable GroupChecked checked,
      boolean inRun) {}

  /** A check they may start with. */
  record GroupChecked(UUID id, String time, TodayCheck.Result result) {}

  private static final int OPEN = Integer.MAX_VALUE;

  private final MeetingService meetings;
  private final GroupStore store;
  private final SheetMaker maker;
  private final Movements movements;
  private final Clients clients;
  private final ClientDays days;
  private final Plans plans;
  private final AdaptedPlans adapted;
  private final TodayChecks checks;
  private final Runs runs;
  private final Audit audit;
  private final Studios studios;

  GroupRuns(
      MeetingService meetings,
      GroupStore store,
      SheetMaker maker,
      Movements movements,
      Clients clients,
      ClientDays days,
      Plans plans,
      AdaptedPlans adapted,
      TodayChecks checks,
      Runs runs,
      Audit audit,
      Studios studios) {
    this.meetings = meetings;
    this.store = store;
    this.maker = maker;
    this.movements = movements;
    this.clients = clients;
    this.days = days;
    this.plans = plans;
    this.adapted = adapted;
    this.checks = checks;
    this.runs = runs;
    this.audit = audit;
    this.studios = studios;
  }

  /** Who is here today, and what is asked of each. */
  @Transactional(readOnly = true)
  GroupBefore before(UUID groupId) {
    GroupRow g = store.require(groupId, "group");
    Plans.Plan plan = plans.require(planOf(g));
    Set<UUID> here = meetings.present(g, meetings.meeting(groupId, studios.today()));
    UUID open = runs.openOf(groupId);
    Set<UUID> in = open == null ? Set.of() : runs.sheet(open).ids();
    Map<UUID, String> names = new HashMap<>();
    here.forEach(id -> names.put(id, clients.require(id).name()));
    Map<UUID, String> called = Called.of(names);
    List<GroupAsked> people = new ArrayList<>();
    List<GroupSheet.SheetApart> apart = new ArrayList<>();
    for (UUID id : here) {
      GroupSheet.SheetApart not = meetings.apart(id);
      if (not != null) {
        apart.add(not);
        continue;
      }
      TodayChecks.Checked c = checks.usable(id);
      people.add(
          new GroupAsked(
              id,
              names.getOrDefault(id, ""),
              called.getOrDefault(id, ""),
              checks.needs(id),
              c == null ? null : new GroupChecked(c.id(), c.time(), c.result()),
              in.contains(id)));
    }
    people.sort(Comparator.comparing(GroupAsked::name));
    apart.sort(Comparator.comparing(GroupSheet.SheetApart::name));
    return new GroupBefore(groupId, g.name, plan.id(), plan.name(), open, people, apart);
  }

  private static UUID planOf(GroupRow g) {
    UUID id = g.planId;
    if (id == null) {
      throw Problems.refused("no-plan", "This group has no plan yet: choose one first.");
    }
    return id;
  }

  /** Starts everybody named, or nobody. */
  GroupRunView start(UUID groupId, GroupStart body) {
    GroupRow g = store.require(groupId, "group");
    Set<UUID> ids = new HashSet<>();
    for (GroupJoining j : body.people()) {
      if (!ids.add(j.clientId())) {
        throw Problems.field("/people", "Somebody is named twice.");
      }
    }
    UUID before = runs.begunBefore(body.id(), groupId, ids);
    if (before != null) {
      return new GroupRunView(before);
    }
    if (g.archivedOn != null) {
      throw Problems.refused("group-archived", "This group is archived: take it out first.");
    }
    LocalDate today = studios.today();
    Meeting m = meetings.meeting(groupId, today);
    Set<UUID> here = meetings.present(g, m);
    Map<UUID, Runs.Admitted> admitted = new LinkedHashMap<>();
    List<Runs.Refusal> not = new ArrayList<>();
    // always in the same order, so that two starts never wait for each other in a circle
    for (GroupJoining j :
        body.people().stream().sorted(Comparator.comparing(GroupJoining::clientId)).toList()) {
      if (!here.contains(j.clientId())) {
        throw Problems.notFound("participant", j.clientId());
      }
      try {
        admitted.put(j.clientId(), runs.admit(j.joining()));
      } catch (Problems p) {
        not.add(Runs.Refusal.of(j.clientId(), p));
      }
    }
    if (!not.isEmpty()) {
      throw Runs.notAll(not);
    }
    SheetMaker.Given prepared = meetings.given(groupId, today, m);
    Plans.Plan plan = prepared.plan();
    SharedPlan shared = new SharedPlan(movements.adapter());
    Map<UUID, ClientDay> of = new LinkedHashMap<>();
    List<Participant> people = new ArrayList<>();
    admitted
        .values()
        .forEach(
            a -> {
              ClientDay day = day(a, plan.id(), g.roomId);
              of.put(day.clientId(), day);
              people.add(Participant.of(shared.checked(plan.plan(), day)));
            });
    people.sort(Comparator.comparing(p -> clients.require(p.id()).name()));
    // the lanes as they were prepared, where they serve everybody as they are after today's check
    LaneSheet lanes = movements.lanes().keep(plan.plan(), people, g.lanes, prepared.lanes());
    Does does = does(plan.plan(), lanes, people, prepared.room());
    List<SharedPlan.Doer> doers =
        of.values().stream()
            .map(d -> new SharedPlan.Doer(d.mobility(), does.forms(d.clientId())))
            .toList();
    CountedRest rest =
        CountedRest.of(
            plan.plan(), people, cap -> shared.clock(plan.plan(), doers, cap).timeline().total());
    SharedPlan.Clock clock = shared.clock(plan.plan(), doers, rest.cap());
    RunSheets sheets = new RunSheets(movements.catalogue(), movements.adapter());
    List<Runs.Beginner> beginners = new ArrayList<>();
    for (Participant p : people) {
      Runs.Admitted in = Objects.requireNonNull(admitted.get(p.id()));
      ClientDay day = Objects.requireNonNull(of.get(p.id()));
      beginners.add(
          beginner(
              in,
              plan.plan(),
              plan.id(),
              day,
              shared,
              does,
              clock,
              rest.everyOther() && rest.whose().contains(p.id()),
              sheets));
    }
    List<String> names = maker.names(plan.plan(), lanes);
    List<RunSheet.Lane> shown = new ArrayList<>();
    for (int lane = 0; lane < lanes.lanes(); lane++) {
      Map<String, RunSheet.Shown> there = new HashMap<>();
      for (LaneSheet.SlotLanes s : lanes.slots()) {
        String id = s.shown().get(lane);
        if (id != null) {
          there.put(s.key(), sheets.shown(id));
        }
      }
      shown.add(new RunSheet.Lane(names.get(lane), there));
    }
    UUID id =
        runs.startGroup(
            body.id(),
            new RunSheet(
                plan.id(),
                plan.name(),
                today,
                clock.timeline(),
                plan.plan().beat(),
                beginners.stream().map(Runs.Beginner::person).toList(),
                new RunSheet.Group(groupId, g.name, shown)),
            beginners);
    audit.changed(
        "started", "group", groupId, plan.name() + ", " + beginners.size() + " people", null);
    return new GroupRunView(id);
  }

  private ClientDay day(Runs.Admitted in, UUID planId, @Nullable UUID room) {
    UUID who = in.joining().clientId();
    return adapted.prepared(
        planId, Participant.shared(days.at(who, studios.today(), room)).with(in.today()));
  }

  private Runs.Beginner beginner(
      Runs.Admitted in,
      SessionPlan plan,
      UUID planId,
      ClientDay day,
      SharedPlan shared,
      Does does,
      SharedPlan.Clock clock,
      boolean everyOther,
      RunSheets sheets) {
    UUID who = day.clientId();
    SharedPlan.Mine mine =
        shared.of(
            plan,
            day,
            does.forms(who),
            adapted.pinned(planId, who),
            does.most(who),
            clock,
            everyOther);
    Clients.Client c = clients.require(who);
    AdaptedPlan a = mine.adapted();
    return new Runs.Beginner(
        in,
        sheets.inGroup(
            plan, mine, day, does.lanes(who), c.goalEffort(), c.school().line(c.usualPain())),
        Wording.broken(a.session()).stream().map(s -> "The session " + s + ".").toList(),
        a.session().isEmpty()
            ? null
            : a.session().stream().anyMatch(b -> b.strength() == Strength.FIRM)
                ? Strength.FIRM
                : Strength.ADVISED);
  }

  /**
   * What everybody does in every slot, by person and slot key.
   *
   * @param grams the most the room has for them
   */
  private record Does(
      Map<UUID, Map<String, List<Performed>>> form,
      Map<UUID, Map<String, Integer>> lane,
      Map<UUID, Map<String, Integer>> grams) {
    Does() {
      this(new HashMap<>(), new HashMap<>(), new HashMap<>());
    }

    Map<String, List<Performed>> forms(UUID who) {
      return form.getOrDefault(who, Map.of());
    }

    Map<String, Integer> lanes(UUID who) {
      return lane.getOrDefault(who, Map.of());
    }

    Map<String, Integer> most(UUID who) {
      return grams.getOrDefault(who, Map.of());
    }

    void puts(UUID who, String key, List<Performed> parts) {
      form.computeIfAbsent(who, k -> new HashMap<>()).put(key, parts);
    }

    void follows(UUID who, String key, int at) {
      lane.computeIfAbsent(who, k -> new HashMap<>()).put(key, at);
    }

    void holds(UUID who, String key, int most) {
      grams.computeIfAbsent(who, k -> new HashMap<>()).put(key, most);
    }
  }

  private Does does(
      SessionPlan plan, LaneSheet lanes, List<Participant> people, @Nullable Room room) {
    Does does = new Does();
    for (LaneSheet.SlotLanes s : lanes.slots()) {
      for (LaneSheet.Follow f : s.follows()) {
        does.puts(f.person(), s.key(), List.of(f.form()));
        does.follows(f.person(), s.key(), f.lane());
      }
      s.alone().forEach(a -> does.puts(a.person(), s.key(), a.own().parts()));
    }
    if (room != null) {
      KitPlan.of(movements.adapter(), plan, lanes, people, room)
          .forEach((key, kit) -> share(does, key, kit));
    }
    return does;
  }

  /** The room's weights as the sheet shares them out. */
  private static void share(Does does, String key, KitPlan.SlotKit kit) {
    for (KitShare.Given x : kit.shared().given()) {
      does.holds(x.person(), key, x.stock().grams());
    }
    for (Instead i : kit.instead()) {
      Performed band = i.band();
      if (band != null) {
        does.puts(i.person(), key, List.of(band));
        does.lane.getOrDefault(i.person(), new HashMap<>()).remove(key);
      } else if (i.kind() == Instead.Kind.NO_WEIGHT) {
        does.holds(i.person(), key, 0);
      }
    }
  }

  /** Somebody comes while it runs: they follow the lanes that are shown. */
  GroupRunView join(UUID groupId, UUID runId, GroupJoining body) {
    GroupRow g = store.require(groupId, "group");
    RunSheet sheet = runs.held(runId);
    RunSheet.Group of = sheet.group();
    if (of == null || !of.id().equals(groupId)) {
      throw Problems.notFound("run of this group", runId);
    }
    if (sheet.person(body.clientId()).isPresent()) {
      throw Problems.refused("in-already", "They are in this run already.");
    }
    Plans.Plan plan = plans.require(sheet.planId());
    if (!same(plan.plan(), sheet)) {
      throw Problems.refused(
          "plan-changed",
          "The plan was changed since this run began: nobody new can be fitted into it.");
    }
    Runs.Admitted in = runs.admit(body.joining());
    SharedPlan shared = new SharedPlan(movements.adapter());
    ClientDay day = day(in, plan.id(), g.roomId);
    Participant who = Participant.of(shared.checked(plan.plan(), day));
    Does does = new Does();
    for (LaneSheet.SlotLanes s : follow(plan.plan(), who, of).slots()) {
      LaneSheet.Follow f = s.of(who.id());
      if (f == null) {
        s.alone().forEach(a -> does.puts(a.person(), s.key(), a.own().parts()));
      } else {
        does.puts(who.id(), s.key(), List.of(f.form()));
        RunSheet.Shown there = of.lanes().get(f.lane()).shown().get(s.key());
        if (there != null && Objects.equals(there.form().movementId(), f.form().movementId())) {
          does.follows(who.id(), s.key(), f.lane());
        }
      }
    }
    // whether the clock's rests are long enough for this person was not reckoned when it was made
    boolean every = who.caps().cap(Axis.WORK_PER_REST, Side.BOTH) != OPEN;
    int gone = (int) (runs.state(runId).positionMs() / 1000);
    Runs.Beginner b =
        beginner(
            in,
            plan.plan(),
            plan.id(),
            day,
            shared,
            does,
            new SharedPlan.Clock(sheet.timeline(), OPEN, gone),
            every,
            new RunSheets(movements.catalogue(), movements.adapter()));
    runs.join(runId, b);
    audit.changed("came later", "group", groupId, plan.name(), body.clientId());
    return new GroupRunView(runId);
  }

  /** Whether the plan still asks what the run was made of: the same slots, worked as long. */
  private boolean same(SessionPlan plan, RunSheet sheet) {
    Map<String, String> then = new LinkedHashMap<>();
    sheet.people().get(0).slots().forEach(s -> then.put(s.key(), s.askedId()));
    Map<String, String> now = new LinkedHashMap<>();
    plan.asked().forEach(a -> now.put(a.key(), a.slot().movementId()));
    Timeline planned = movements.planAdapter().planned(plan);
    // as many rounds as possible hang on the ways of who is there
    return then.equals(now)
        && (planned.estimated() || planned.workSeconds() == sheet.timeline().workSeconds());
  }

  /** The lanes as they are shown, for one more. */
  private LaneSheet follow(SessionPlan plan, Participant who, RunSheet.Group group) {
    List<LaneSheet.SlotLanes> slots = new ArrayList<>();
    for (SessionPlan.Asked a : plan.asked()) {
      List<@Nullable String> shown = new ArrayList<>();
      for (RunSheet.Lane lane : group.lanes()) {
        RunSheet.Shown there = lane.shown().get(a.key());
        shown.add(there == null ? null : there.form().movementId());
      }
      slots.add(
          new LaneSheet.SlotLanes(
              a.key(), a.slot().movementId(), shown, List.of(), List.of(), false));
    }
    int k = group.lanes().size();
    return movements.lanes().keep(plan, List.of(who), k, new LaneSheet(k, slots, Map.of()));
  }
}
