package riposo.server.plan;

import java.util.List;
import java.util.UUID;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Timeline;

/** Session plans, for the other modules. */
public interface Plans {
  /** A plan and what it compiles to. */
  record Plan(
      UUID id,
      long version,
      String name,
      SessionPlan plan,
      Timeline timeline,
      List<String> checks) {}

  Plan require(UUID id);

  List<Plan> all();

  /** Stores a plan; returns its id. */
  UUID add(String name, SessionPlan plan);
}
