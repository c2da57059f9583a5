package riposo.server.client.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.kit.Band;
import riposo.core.kit.Room;
import riposo.server.client.Clients;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;
import riposo.server.platform.Versions;

/** Studio rooms and client homes, and the grip on a band. */
@Service
@Transactional
class RoomService {
  /** A room as sent; {@code clientId} for a client's home. */
  record RoomForm(
      @NotBlank(message = "Name the room.") @Size(max = 120, message = "At most 120 characters.")
          String name,
      @Nullable UUID clientId,
      @NotNull @Valid Room room) {}

  /** A weight of the room with what is printed on it, and what that is in kilograms. */
  record WeightView(String words, int grams, int count) {}

  /**
   * A room as shown.
   *
   * @param refused what nobody can use there, and why
   */
  record RoomView(
      UUID id,
      long version,
      String name,
      @Nullable UUID clientId,
      Room room,
      List<WeightView> weights,
      List<String> refused,
      int usedBy) {}

  /** A question to the grip calculator. */
  record GripQuestion(
      @NotNull(message = "Say which band.") Band band,
      @NotNull(message = "Say how it is held.") Band.Hold hold,
      @Min(value = 0, message = "The stance runs from 0 to 120 cm.")
          @Max(value = 120, message = "The stance runs from 0 to 120 cm.")
          int stanceCm,
      @Min(value = 10, message = "The reach runs from 10 to 250 cm.")
          @Max(value = 250, message = "The reach runs from 10 to 250 cm.")
          int reachCm,
      @Min(value = 50, message = "The wanted pull runs from 50 g to 60 kg.")
          @Max(value = 60_000, message = "The wanted pull runs from 50 g to 60 kg.")
          int wantedGrams,
      @Nullable @Min(value = 0, message = "A cap is not under 0.") Integer capGrams) {}

  /**
   * Where to grip.
   *
   * @param grip null when even the whole length pulls harder than wanted or permitted
   */
  record GripView(Band.@Nullable Grip grip, String words) {}

  private final RoomStore store;
  private final ClientStore clients;
  private final Json json;
  private final Audit audit;
  private final Studios studios;
  private final ObjectProvider<Clients.RoomUse> use;

  RoomService(
      RoomStore store,
      ClientStore clients,
      Json json,
      Audit audit,
      Studios studios,
      ObjectProvider<Clients.RoomUse> use) {
    this.use = use;
    this.store = store;
    this.clients = clients;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
  }

  @Transactional(readOnly = true)
  List<RoomView> rooms() {
    return store.findAll().stream()
        .map(this::view)
        .sorted(Comparator.comparing(RoomView::name))
        .toList();
  }

  RoomView add(RoomForm f) {
    RoomRow row = new RoomRow();
    row.createdAt = studios.now();
    fill(row, f);
    audit.changed("added", "room", row.id, row.name, row.clientId);
    return view(row);
  }

  RoomView change(UUID id, long version, RoomForm f) {
    RoomRow row = store.require(id, "room");
    Versions.same(row, version, () -> view(row), f);
    fill(row, f);
    audit.changed("changed", "room", row.id, row.name, row.clientId);
    return view(row);
  }

  void remove(UUID id, long version) {
    RoomRow row = store.require(id, "room");
    Versions.same(row, version, () -> view(row), Map.of());
    int used = usedBy(id);
    List<String> groups = use.stream().flatMap(u -> u.meetIn(id).stream()).toList();
    if (!groups.isEmpty()) {
      throw Problems.refused("in-use", "Groups meet here: " + String.join(", ", groups) + ".");
    }
    if (used > 0) {
      throw Problems.refused(
          "in-use", used == 1 ? "One client trains here." : used + " clients train here.");
    }
    store.delete(row);
    audit.changed("removed", "room", id, row.name, row.clientId);
  }

  private void fill(RoomRow row, RoomForm f) {
    if (f.clientId() != null) {
      clients.require(f.clientId(), "client");
    }
    row.name = f.name().trim();
    row.clientId = f.clientId();
    row.body = json.write(f.room());
    store.saveAndFlush(row);
  }

  /** Where to grip a band for a wanted pull; nothing is stored. */
  GripView grip(GripQuestion q) {
    int cap = q.capGrams() == null ? Integer.MAX_VALUE : q.capGrams();
    Band.Grip g =
        Problems.at(
                "/stanceCm",
                () ->
                    java.util.Optional.ofNullable(
                        q.band().grip(q.hold(), q.stanceCm(), q.reachCm(), q.wantedGrams(), cap)))
            .orElse(null);
    if (g == null) {
      return new GripView(
          null, "Even at its whole length it pulls harder than that: take a lighter band.");
    }
    return new GripView(
        g,
        "Grip "
            + g.gripCm()
            + " cm from the fixed point, "
            + g.spareCm()
            + " cm to spare: about "
            + Room.MassUnit.KG.show(g.force().grams())
            + " per hand at the end"
            + (g.force().estimated()
                ? "; an estimate from one point, checked as "
                    + Room.MassUnit.KG.show(g.force().checkGrams())
                : "")
            + (g.force().warning() == null ? "." : "; " + g.force().warning() + "."));
  }

  private int usedBy(UUID roomId) {
    return clients.countByRoomId(roomId);
  }

  private RoomView view(RoomRow r) {
    Room room = json.read(r.body, Room.class);
    List<WeightView> weights = new ArrayList<>();
    room.dumbbells().forEach(d -> weights.add(new WeightView(d.words(), d.grams(), d.count())));
    room.standIns().forEach(s -> weights.add(new WeightView(s.words(), s.grams(), s.count())));
    weights.sort(Comparator.comparingInt(WeightView::grams));
    return new RoomView(
        r.id,
        r.version,
        r.name,
        r.clientId,
        room,
        weights,
        room.usableBy(Room.Sitter.ANYONE).refused(),
        usedBy(r.id));
  }
}
