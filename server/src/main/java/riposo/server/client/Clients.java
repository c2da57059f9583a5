package riposo.server.client;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.Kitbag;
import riposo.core.plan.Mobility;
import riposo.core.tolerance.School;

/** The studio's clients, for the other modules. */
public interface Clients {
  /**
   * A client.
   *
   * @param age whole years today
   * @param noProgression stepping up is ruled out for now
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
      Kitbag kit) {}

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

  /** Sets the no-progression flag, as a screening finds it. */
  void setNoProgression(UUID id, boolean on);
}
