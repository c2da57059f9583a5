package riposo.core.adapt;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Broken;
import riposo.core.plan.PlanCheck;
import riposo.core.plan.Timeline;

/**
 * A session plan resolved for one client on one date.
 *
 * @param planned the timeline as planned, for nobody in particular
 * @param timeline the timeline for this client
 * @param session limits on the session as a whole that the plan breaks, such as its length
 * @param effortCap greatest effort permitted; null when nothing caps it
 * @param workShare what this client works of the first interval under a work-for-rest cap; null
 *     when the cap changes nothing
 * @param restGrows counted work keeps its count and has longer rests under such a cap
 */
public record AdaptedPlan(
    LocalDate date,
    List<AdaptedSlot> slots,
    Timeline planned,
    Timeline timeline,
    List<Broken> session,
    List<PlanCheck> checks,
    @Nullable Integer effortCap,
    @Nullable WorkShare workShare,
    boolean restGrows) {
  /** The same on another clock. */
  AdaptedPlan on(Timeline other) {
    return new AdaptedPlan(
        date, slots, planned, other, session, checks, effortCap, workShare, restGrows);
  }

  /** So many of each so many seconds; the clock stays shared. */
  public record WorkShare(int seconds, int of) {}
}
