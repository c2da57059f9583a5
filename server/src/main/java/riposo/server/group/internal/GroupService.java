package riposo.server.group.internal;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.group.Lanes;
import riposo.server.client.Clients;
import riposo.server.group.Groups;
import riposo.server.plan.Plans;
import riposo.server.platform.Archive;
import riposo.server.platform.Audit;
import riposo.server.platform.ReadAhead;
import riposo.server.platform.Studios;
import riposo.server.platform.Versions;

/** Groups: who, where, which plan; the days they meet. */
@Service
@Transactional
class GroupService implements Groups, Clients.RoomUse {
  /** A group as sent. */
  record GroupForm(
      @NotBlank(message = "Give the group a name.")
          @Size(max = 120, message = "At most 120 characters.")
          String name,
      @Nullable UUID roomId,
      @Nullable UUID planId,
      @Min(value = Lanes.FEWEST, message = "There are 2 to 4 lanes.")
          @Max(value = Lanes.MOST, message = "There are 2 to 4 lanes.")
          int lanes,
      @Nullable
          @Min(value = 1, message = "Monday is 1, Sunday 7.")
          @Max(value = 7, message = "Monday is 1, Sunday 7.")
          Integer weekday,
      @Nullable LocalTime time,
      @NotNull(message = "Say who is in it.")
          @Size(max = Lanes.MOST_PEOPLE, message = "At most 32 people.")
          List<UUID> members) {}

  /** Somebody of a group. */
  record MemberView(UUID id, String name) {}

  /** A group as shown. */
  record GroupView(
      UUID id,
      long version,
      String name,
      @Nullable UUID roomId,
      @Nullable String room,
      @Nullable UUID planId,
      @Nullable String plan,
      int lanes,
      @Nullable Integer weekday,
      @Nullable LocalTime time,
      List<MemberView> members,
      @Nullable LocalDate archivedOn) {}

  private final MeetingService meetings;
  private final ReadAhead ahead;
  private final GroupStore store;
  private final MemberStore members;
  private final Clients clients;
  private final Plans plans;
  private final EntityManager em;
  private final Audit audit;
  private final Archive archive;
  private final Studios studios;

  GroupService(
      GroupStore store,
      MemberStore members,
      Clients clients,
      Plans plans,
      EntityManager em,
      Audit audit,
      Archive archive,
      Studios studios,
      ReadAhead ahead,
      MeetingService meetings) {
    this.meetings = meetings;
    this.ahead = ahead;
    this.store = store;
    this.members = members;
    this.clients = clients;
    this.plans = plans;
    this.em = em;
    this.audit = audit;
    this.archive = archive;
    this.studios = studios;
  }

  @Transactional(readOnly = true)
  List<GroupView> list(boolean archived) {
    List<GroupRow> groups = store.findAll().stream().filter(g -> archived == g.archived()).toList();
    meetings.readAhead(groups, List.of(studios.today()));
    ahead.of(
        groups.stream().flatMap(g -> meetings.members(g.id).stream()).toList(),
        ReadAhead.For.STANDING);
    return groups.stream().map(this::view).sorted(Comparator.comparing(GroupView::name)).toList();
  }

  @Transactional(readOnly = true)
  GroupView one(UUID id) {
    return view(store.require(id, "group"));
  }

  GroupView create(GroupForm f) {
    GroupRow fresh = new GroupRow();
    fresh.createdAt = studios.now();
    GroupRow row = fill(fresh, f);
    audit.changed("added", "group", row.id, row.name);
    return view(row);
  }

  GroupView change(UUID id, long version, GroupForm f) {
    GroupRow row = store.require(id, "group");
    Versions.same(row, version, () -> view(row), f);
    fill(row, f);
    audit.changed("changed", "group", id, row.name);
    return view(row);
  }

  GroupView archive(UUID id) {
    return view(archive.set(store, id, "group", true));
  }

  GroupView restore(UUID id) {
    return view(archive.set(store, id, "group", false));
  }

  @Override
  public UUID add(
      String name,
      UUID roomId,
      UUID planId,
      int lanes,
      @Nullable Integer weekday,
      @Nullable LocalTime time,
      List<UUID> members) {
    return create(new GroupForm(name, roomId, planId, lanes, weekday, time, members)).id();
  }

  private GroupRow fill(GroupRow sent, GroupForm f) {
    if (f.roomId() != null) {
      clients.room(f.roomId());
    }
    if (f.planId() != null) {
      plans.require(f.planId());
    }
    Set<UUID> wanted = new LinkedHashSet<>(f.members());
    for (UUID m : wanted) {
      clients.require(m);
    }
    sent.name = f.name().trim();
    sent.roomId = f.roomId();
    sent.planId = f.planId();
    sent.lanes = f.lanes();
    sent.weekday = f.weekday();
    sent.atTime = f.time();
    GroupRow row = store.saveAndFlush(sent);
    List<MemberRow> before = members.findByGroupId(row.id);
    if (before.stream().anyMatch(m -> !wanted.contains(m.clientId))
        || before.size() != wanted.size()) {
      // who is in it belongs to the group: two edits at once meet here
      em.lock(row, LockModeType.PESSIMISTIC_FORCE_INCREMENT);
    }
    for (MemberRow m : before) {
      if (!wanted.remove(m.clientId)) {
        members.delete(m);
      }
    }
    for (UUID id : wanted) {
      MemberRow m = new MemberRow();
      m.createdAt = studios.now();
      m.groupId = row.id;
      m.clientId = id;
      members.save(m);
    }
    members.flush();
    return row;
  }

  @Override
  public List<Groups.Due> meetings(LocalDate day) {
    return meetings(List.of(day)).getOrDefault(day, List.of());
  }

  @Override
  @Transactional(readOnly = true)
  public Map<LocalDate, List<Groups.Due>> meetings(Collection<LocalDate> days) {
    List<GroupRow> groups = store.findByWeekdayIsNotNullAndArchivedOnIsNull();
    meetings.readAhead(groups, days);
    Map<LocalDate, List<Groups.Due>> all = new TreeMap<>();
    for (LocalDate day : days) {
      List<Groups.Due> due = new ArrayList<>();
      for (GroupRow g : groups) {
        UUID planId = g.planId;
        if (planId != null
            && g.atTime != null
            && Integer.valueOf(day.getDayOfWeek().getValue()).equals(g.weekday)) {
          Plans.Plan plan = plans.require(planId);
          List<UUID> who = List.copyOf(meetings.present(g, meetings.meeting(g.id, day)));
          due.add(
              new Groups.Due(
                  g.id,
                  g.name,
                  g.atTime,
                  plan.name(),
                  plan.timeline().total(),
                  who,
                  who.size(),
                  0));
        }
      }
      due.sort(Comparator.comparing(Groups.Due::time));
      all.put(day, due);
    }
    return all;
  }

  @Override
  @Transactional(readOnly = true)
  public Map<UUID, Groups.Next> next(LocalDate from) {
    Map<UUID, Groups.Next> first = new HashMap<>();
    Comparator<Groups.Next> order =
        Comparator.comparing(Groups.Next::date).thenComparing(Groups.Next::time);
    List<GroupRow> groups = store.findByWeekdayIsNotNullAndArchivedOnIsNull();
    meetings.readAhead(groups, List.of(from));
    for (GroupRow g : groups) {
      if (g.weekday != null && g.atTime != null) {
        DayOfWeek day = DayOfWeek.of(g.weekday);
        Groups.Next n =
            new Groups.Next(from.with(TemporalAdjusters.nextOrSame(day)), g.atTime, g.name);
        for (UUID m : meetings.members(g.id)) {
          first.merge(m, n, (x, y) -> order.compare(x, y) <= 0 ? x : y);
        }
      }
    }
    return first;
  }

  @Override
  public List<String> meetIn(UUID roomId) {
    return store.findByRoomIdOrderByName(roomId).stream().map(g -> g.name).toList();
  }

  private GroupView view(GroupRow g) {
    UUID plan = g.planId;
    return new GroupView(
        g.id,
        g.version,
        g.name,
        g.roomId,
        g.roomId == null ? null : clients.roomName(g.roomId),
        plan,
        plan == null ? null : plans.require(plan).name(),
        g.lanes,
        g.weekday,
        g.atTime,
        meetings.members(g.id).stream()
            .map(m -> new MemberView(m, clients.require(m).name()))
            .sorted(Comparator.comparing(MemberView::name))
            .toList(),
        g.archivedOn);
  }
}
