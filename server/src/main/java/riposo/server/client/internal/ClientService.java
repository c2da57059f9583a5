package riposo.server.client.internal;

import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.data.domain.Page;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.adapt.Kitbag;
import riposo.core.dose.Weight;
import riposo.core.kit.Room;
import riposo.core.movement.Kit;
import riposo.core.plan.Mobility;
import riposo.core.tolerance.School;
import riposo.server.client.ClientRecord;
import riposo.server.client.Clients;
import riposo.server.platform.Archive;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.OncePerRead;
import riposo.server.platform.Paged;
import riposo.server.platform.Problems;
import riposo.server.platform.ReadAhead;
import riposo.server.platform.Studios;
import riposo.server.platform.Versions;

/** Clients: list, add, edit. */
@Service
@Transactional
class ClientService implements Clients, ReadAhead.Part {
  /**
   * What is known of a client, as sent.
   *
   * @param secondCheckIn a second one at 72 h is wanted; null where that stays as it is
   */
  record ClientForm(
      @NotBlank(message = "Give a name.") @Size(max = 120, message = "At most 120 characters.")
          String name,
      @NotNull(message = "Give the date of birth.") LocalDate birthDate,
      @Nullable
          @Email(message = "This is not an e-mail address.")
          @Size(max = 190, message = "At most 190 characters.")
          String email,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String goal,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String facts,
      @NotNull Mobility mobility,
      @NotNull School school,
      @Nullable @Size(max = 200, message = "At most 200 characters.") String schoolBy,
      @Min(value = 0, message = "Usual pain runs from 0 to 10.")
          @Max(value = 10, message = "Usual pain runs from 0 to 10.")
          int usualPain,
      @Min(value = 1, message = "Goal effort runs from 1 to 10.")
          @Max(value = 10, message = "Goal effort runs from 1 to 10.")
          int goalEffort,
      @NotNull @Size(max = 20, message = "At most 20 kinds of kit.") Set<Kit> kit,
      @NotNull @Size(max = 30, message = "At most 30 weights.") List<Weight> weights,
      @Nullable Boolean secondCheckIn) {}

  /** Where a client trains; null for the quick list of own kit. */
  record Place(@Nullable UUID roomId) {}

  /**
   * Where somebody trains.
   *
   * @param room null for the quick list of own kit
   * @param refusedKit what of it they cannot use, and why
   */
  record Trains(
      UUID id, long version, String name, @Nullable RoomName room, List<String> refusedKit) {}

  private final ClientStore store;
  private final RoomStore rooms;
  private final Json json;
  private final Audit audit;
  private final Archive archive;
  private final Studios studios;
  private final ObjectProvider<SitterSource> sitters;
  private final ReadAhead ahead;

  ClientService(
      ClientStore store,
      RoomStore rooms,
      Json json,
      Audit audit,
      Archive archive,
      Studios studios,
      ObjectProvider<SitterSource> sitters,
      ReadAhead ahead) {
    this.store = store;
    this.rooms = rooms;
    this.json = json;
    this.audit = audit;
    this.archive = archive;
    this.studios = studios;
    this.sitters = sitters;
    this.ahead = ahead;
  }

  @Override
  public List<Client> all() {
    return list(false);
  }

  @Override
  @Transactional(readOnly = true)
  public List<Client> list(boolean archived) {
    studios.current(); // a thread without a studio is told so
    List<UUID> ids =
        store.findAll().stream().filter(r -> archived || !r.archived()).map(r -> r.id).toList();
    ahead.of(ids, ReadAhead.For.STANDING);
    return ids.stream().map(this::require).sorted(Comparator.comparing(Client::name)).toList();
  }

  /** A page of who trains where, by name. */
  @Transactional(readOnly = true)
  Paged<Trains> trains(String find, int page) {
    Page<ClientRow> found =
        store.findByArchivedOnIsNullAndNameContainingOrderByNameAscIdAsc(
            find.trim(), Paged.ask(page));
    ahead.of(found.map(r -> r.id).getContent(), ReadAhead.For.STANDING);
    return Paged.of(
        found,
        r -> {
          Client c = require(r.id);
          return new Trains(c.id(), c.version(), c.name(), c.room(), c.refusedKit());
        });
  }

  @Override
  public Client require(UUID id) {
    return OncePerRead.of(
        Client.class, id, () -> client(store.require(id, "client"), studios.today()));
  }

  @Override
  public void readAhead(Collection<UUID> clients, ReadAhead.For what) {
    // what the session holds is found there by its id
    List<UUID> trainIn =
        store.findByIdIn(clients).stream()
            .flatMap(r -> Stream.ofNullable(r.roomId))
            .distinct()
            .toList();
    if (!trainIn.isEmpty()) {
      rooms.findByIdIn(trainIn);
    }
  }

  /** One client; that somebody looked is on record, once a day. */
  Client open(UUID id) {
    Client c = require(id);
    audit.saw(id);
    return c;
  }

  @Override
  public void hold(UUID id) {
    if (store.lock(id).isEmpty()) {
      throw Problems.notFound("client", id);
    }
  }

  @Override
  public Client requireActive(UUID id) {
    Client c = require(id);
    Inactive inactive = c.inactive(studios.today());
    if (inactive != null) {
      throw Problems.refused(inactive.why().code, inactive.sentence());
    }
    return c;
  }

  /** Replaces the client record. */
  Client record(UUID id, long version, ClientRecord body) {
    ClientRow row = store.require(id, "client");
    Versions.same(row, version, () -> client(row, studios.today()).record(), body);
    check(body);
    keep(row, body);
    return client(row, studios.today());
  }

  private void check(ClientRecord body) {
    LocalDate today = studios.today();
    ClientRecord.Consent consent = body.consent();
    if (consent != null) {
      if (consent.on().isAfter(today)) {
        throw Problems.field(
            "/consent/on", "The consent is dated " + consent.on() + ", after today.");
      }
      if (consent.withdrawnOn() != null && consent.withdrawnOn().isBefore(consent.on())) {
        throw Problems.field("/consent/withdrawnOn", "It is withdrawn before it was given.");
      }
    }
    for (int i = 0; i < body.careLines().size(); i++) {
      String loose = body.careLines().get(i).tooLoose();
      if (loose != null) {
        throw Problems.field("/careLines/" + i + "/value", loose);
      }
    }
    Integer max = body.measuredMaximum();
    Integer rest = body.restingPulse();
    if (max != null && rest != null && rest + 10 > max) {
      throw Problems.field(
          "/restingPulse",
          "A resting pulse of " + rest + " is not under the maximum of " + max + ".");
    }
    for (int i = 0; i < body.operations().size(); i++) {
      LocalDate on = body.operations().get(i).on();
      if (on != null && on.isAfter(today)) {
        throw Problems.field("/operations/" + i + "/on", "The date " + on + " lies after today.");
      }
    }
    for (int i = 0; i < body.conditions().size(); i++) {
      LocalDate since = body.conditions().get(i).since();
      if (since != null && since.isAfter(today)) {
        throw Problems.field(
            "/conditions/" + i + "/since", "The date " + since + " lies after today.");
      }
    }
  }

  private void keep(ClientRow row, ClientRecord body) {
    List<String> changed = new ArrayList<>();
    ClientRecord before = json.read(row.record, ClientRecord.class);
    for (java.lang.reflect.RecordComponent c : ClientRecord.class.getRecordComponents()) {
      try {
        if (!java.util.Objects.equals(
            c.getAccessor().invoke(before), c.getAccessor().invoke(body))) {
          changed.add(c.getName());
        }
      } catch (ReflectiveOperationException e) {
        throw new IllegalStateException(e);
      }
    }
    row.record = json.write(body);
    store.saveAndFlush(row);
    audit.changed("changed", "client record", row.id, String.join(", ", changed), row.id);
  }

  @Override
  public void setRecord(UUID id, ClientRecord record) {
    check(record);
    keep(store.require(id, "client"), record);
  }

  @Override
  public UUID addRoom(String name, @Nullable UUID clientId, Room room) {
    RoomRow row = new RoomRow();
    row.createdAt = studios.now();
    row.name = name;
    row.clientId = clientId;
    row.body = json.write(room);
    rooms.saveAndFlush(row);
    audit.changed("added", "room", row.id, name, clientId);
    return row.id;
  }

  @Override
  public void setRoom(UUID id, @Nullable UUID roomId) {
    place(store.require(id, "client"), roomId);
  }

  /** Sets where the client trains: a studio room or the own home. */
  Client place(UUID id, long version, Place body) {
    ClientRow row = store.require(id, "client");
    Versions.same(row, version, () -> client(row, studios.today()), body);
    place(row, body.roomId());
    return client(row, studios.today());
  }

  private void place(ClientRow row, @Nullable UUID roomId) {
    String name = "own kit, the quick list";
    if (roomId != null) {
      RoomRow room = rooms.require(roomId, "room");
      if (room.clientId != null && !room.clientId.equals(row.id)) {
        throw Problems.field("/roomId", "This is the home of another client.");
      }
      name = room.name;
    }
    row.roomId = roomId;
    store.saveAndFlush(row);
    audit.changed("changed", "client", row.id, "trains at: " + name, row.id);
  }

  /** Archives: kept, but out of the lists and not to be trained. */
  Client archive(UUID id) {
    return client(archive.set(store, id, "client", true), studios.today());
  }

  Client restore(UUID id) {
    return client(archive.set(store, id, "client", false), studios.today());
  }

  Client add(ClientForm form) {
    ClientRow row = new ClientRow();
    row.createdAt = studios.now();
    fill(row, form);
    store.saveAndFlush(row);
    audit.changed("added", "client", row.id, row.name, row.id);
    return client(row, studios.today());
  }

  Client change(UUID id, long version, ClientForm form) {
    ClientRow row = store.require(id, "client");
    Versions.same(row, version, () -> client(row, studios.today()), form);
    String before = row.name + ", " + row.school + ", goal effort " + row.goalEffort;
    fill(row, form);
    store.saveAndFlush(row);
    audit.changed(
        "changed",
        "client",
        id,
        before + " → " + row.name + ", " + row.school + ", goal effort " + row.goalEffort,
        id);
    return client(row, studios.today());
  }

  @Override
  public UUID add(NewClient c) {
    ClientForm form =
        new ClientForm(
            c.name(),
            c.birthDate(),
            c.email(),
            c.goal(),
            c.facts(),
            c.mobility(),
            c.school(),
            c.schoolBy(),
            c.usualPain(),
            c.goalEffort(),
            c.kit().items(),
            c.kit().weights(),
            null);
    return add(form).id();
  }

  @Override
  public @Nullable String setGoal(UUID id, String goal) {
    ClientRow row = store.require(id, "client");
    String before = row.goal;
    row.goal = goal;
    store.saveAndFlush(row);
    audit.changed("changed", "client", id, "goal", id);
    return before;
  }

  @Override
  public int setGoalEffort(UUID id, int effort) {
    ClientRow row = store.require(id, "client");
    int before = row.goalEffort;
    row.goalEffort = effort;
    store.saveAndFlush(row);
    audit.changed("changed", "client", id, "goal effort " + before + " → " + effort, id);
    return before;
  }

  @Override
  public void setNoProgression(UUID id, boolean on) {
    ClientRow row = store.require(id, "client");
    if (row.noProgression != on) {
      row.noProgression = on;
      audit.changed(
          "changed",
          "client",
          id,
          on ? "no progression set by screening" : "no progression lifted by screening",
          id);
    }
  }

  private void fill(ClientRow row, ClientForm f) {
    LocalDate today = studios.today();
    if (f.birthDate().isAfter(today)) {
      throw Problems.field(
          "/birthDate", "The date of birth " + f.birthDate() + " lies in the future.");
    }
    if (f.birthDate().isBefore(today.minusYears(120))) {
      throw Problems.field(
          "/birthDate", "The date of birth " + f.birthDate() + " is more than 120 years ago.");
    }
    if (f.school() == School.MONITORED && (f.schoolBy() == null || f.schoolBy().isBlank())) {
      throw Problems.field("/schoolBy", "The monitored school needs a diagnosis and who said so.");
    }
    row.name = f.name().trim();
    row.birthDate = f.birthDate();
    row.email = f.email();
    row.goal = f.goal();
    row.facts = f.facts();
    row.mobility = f.mobility();
    row.school = f.school();
    row.schoolBy = f.schoolBy();
    row.usualPain = f.usualPain();
    row.goalEffort = f.goalEffort();
    row.kit = json.write(new Kitbag(f.kit(), f.weights()));
    row.secondCheckIn = f.secondCheckIn() == null ? row.secondCheckIn : f.secondCheckIn();
  }

  @Override
  public Room room(UUID roomId) {
    return json.read(rooms.require(roomId, "room").body, Room.class);
  }

  @Override
  public String roomName(UUID roomId) {
    return rooms.require(roomId, "room").name;
  }

  @Override
  public Room.Usable usable(UUID clientId, UUID roomId) {
    return OncePerRead.of(
        Room.Usable.class,
        Map.entry(clientId, roomId),
        () -> usable(rooms.require(roomId, "room"), clientId, require(clientId).record()));
  }

  private Room.Usable usable(RoomRow room, UUID clientId, ClientRecord record) {
    SitterSource source = sitters.getIfAvailable();
    return json.read(room.body, Room.class)
        .usableBy(source == null ? Room.Sitter.ANYONE : source.sitter(clientId, record.kneeCm()));
  }

  private Client client(ClientRow r, LocalDate today) {
    Kitbag own = json.read(r.kit, Kitbag.class);
    ClientRecord record = json.read(r.record, ClientRecord.class);
    RoomRow room = r.roomId == null ? null : rooms.findById(r.roomId).orElse(null);
    Kitbag kit = own;
    List<String> refused = List.of();
    List<Room.Printed> printed = List.of();
    if (room != null) {
      Room.Usable usable = usable(room, r.id, record);
      kit = usable.bag();
      refused = usable.refused();
      printed = usable.printed();
    }
    return new Client(
        r.id,
        r.version,
        r.name,
        r.birthDate,
        (int) ChronoUnit.YEARS.between(r.birthDate, today),
        r.email,
        r.goal,
        r.facts,
        r.mobility,
        r.school,
        r.schoolBy,
        r.usualPain,
        r.goalEffort,
        r.noProgression,
        r.secondCheckIn,
        kit,
        own,
        room == null ? null : new RoomName(room.id, room.name),
        refused,
        printed,
        record,
        r.archivedOn);
  }
}
