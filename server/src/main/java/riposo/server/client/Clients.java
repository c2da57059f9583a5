package riposo.server.client;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.Kitbag;
import riposo.core.kit.Room;
import riposo.core.movement.Task;
import riposo.core.plan.Mobility;
import riposo.core.tolerance.School;

/** The studio's clients, for the other modules. */
public interface Clients {
  /**
   * A client.
   *
   * @param age whole years today
   * @param noProgression stepping up is ruled out for now
   * @param secondCheckIn the professional wants a second check-in, at 72 h
   * @param kit what can be used where the client trains, refused things left out
   * @param room the room the client trains in; null for the quick list of the client's own kit
   * @param refusedKit what of it cannot be used, and why
   * @param printed the words of each weight there
   * @param archivedOn null while active
   */
  record Client(
      UUID id,
      long version,
      String name,
      LocalDate birthDate,
      int age,
      @Nullable String email,
      @Nullable String goal,
      @Nullable String facts,
      Mobility mobility,
      School school,
      @Nullable String schoolBy,
      int usualPain,
      int goalEffort,
      boolean noProgression,
      boolean secondCheckIn,
      Kitbag kit,
      Kitbag ownKit,
      @Nullable RoomName room,
      List<String> refusedKit,
      List<Room.Printed> printed,
      ClientRecord record,
      @Nullable LocalDate archivedOn) {
    /** A second check-in comes at 72 h: wanted, or as exertion makes the next days worse. */
    public boolean askedTwice() {
      return secondCheckIn || noProgression;
    }

    /** The tasks of the day that the client's goals name; empty where they name none. */
    public List<Task> tasks() {
      return Stream.concat(Stream.ofNullable(goal), record.goals().stream())
          .flatMap(g -> Task.namedIn(g).stream())
          .distinct()
          .toList();
    }

    /** The same in words, as they are shown beside the goal. */
    @JsonProperty
    public List<String> goalTasks() {
      return tasks().stream().map(t -> t.words).toList();
    }

    /** Why this client is not trained at all on a day; null where nothing stands in the way. */
    public @Nullable Inactive inactive(LocalDate day) {
      if (archivedOn != null) {
        return new Inactive(
            Inactive.Why.ARCHIVED, name + " is archived: restore the client first.");
      }
      ClientRecord.Consent consent = record.consent();
      if (consent != null && consent.withdrawnOn() != null && !consent.withdrawnOn().isAfter(day)) {
        return new Inactive(
            Inactive.Why.CONSENT,
            "Consent was withdrawn on " + consent.withdrawnOn() + ": nothing new is recorded.");
      }
      return null;
    }
  }

  /** Why a client is not trained at all, with its sentence. */
  record Inactive(Why why, String sentence) {
    /** Put away, or consent taken back. */
    public enum Why {
      ARCHIVED("archived"),
      CONSENT("consent-withdrawn");

      /** The code of the problem. */
      public final String code;

      Why(String code) {
        this.code = code;
      }
    }
  }

  /** A room by name. */
  record RoomName(UUID id, String name) {}

  /** What is known of a new client. */
  record NewClient(
      String name,
      LocalDate birthDate,
      @Nullable String email,
      @Nullable String goal,
      @Nullable String facts,
      Mobility mobility,
      School school,
      @Nullable String schoolBy,
      int usualPain,
      int goalEffort,
      Kitbag kit) {}

  UUID add(NewClient client);

  /** The client, or a 404 problem. */
  Client require(UUID id);

  List<Client> all();

  /** Active clients by name; with the archived ones where asked. */
  List<Client> list(boolean archived);

  /** The client, or a problem when training is not possible: archived, or consent withdrawn. */
  Client requireActive(UUID id);

  /** Holds the client until the transaction ends, so that two starts come one after the other. */
  void hold(UUID id);

  /** Limits that decide which kit a client may use; told by the limit module. */
  interface SitterSource {
    Room.Sitter sitter(UUID clientId, @Nullable Integer kneeCm);
  }

  /** Replaces what is known beyond the form; no version asked, for the demo and for tests. */
  void setRecord(UUID id, ClientRecord record);

  /** A room of the studio, or a 404 problem. */
  Room room(UUID roomId);

  /** The name of a room, or a 404 problem. */
  String roomName(UUID roomId);

  /** What this client may use in a room, wherever the client usually trains. */
  Room.Usable usable(UUID clientId, UUID roomId);

  /** Who else uses a room; told by the group module. */
  interface RoomUse {
    /** Names of the groups that meet in it. */
    List<String> meetIn(UUID roomId);
  }

  /** Adds a room; {@code clientId} null for a studio room. */
  UUID addRoom(String name, @Nullable UUID clientId, Room room);

  /** Where the client trains; null for the quick list of own kit. */
  void setRoom(UUID id, @Nullable UUID roomId);

  /**
   * Puts another goal in the place of the client's; returns the one before, null where none was.
   */
  @Nullable String setGoal(UUID id, String goal);

  /** Sets the effort aimed for, 1 to 10; returns the one before. */
  int setGoalEffort(UUID id, int effort);

  /** Sets the no-progression flag, as a screening finds it. */
  void setNoProgression(UUID id, boolean on);
}
