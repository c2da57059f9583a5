package riposo.server.plan;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.plan.PlanTotals;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Timeline;

/** Session plans, for the other modules. */
public interface Plans {
  /**
   * A plan and what it compiles to.
   *
   * @param archivedOn null while in use
   * @param checks remarks in words
   * @param gone movements it asks for that the catalogue no longer has
   */
  record Plan(
      UUID id,
      long version,
      String name,
      List<String> tags,
      @Nullable String note,
      @Nullable LocalDate archivedOn,
      SessionPlan plan,
      Timeline timeline,
      PlanTotals totals,
      List<String> checks,
      List<String> gone) {}

  Plan require(UUID id);

  /** Plans in use, by name. */
  List<Plan> all();

  /** Stores a plan; returns its id. */
  UUID add(String name, SessionPlan plan);

  /** Copies the starting point of that name; returns the copy's id. */
  UUID addStartingPoint(String name);
}
