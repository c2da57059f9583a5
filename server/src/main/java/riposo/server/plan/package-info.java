/**
 * Session plans, for the others through {@link riposo.server.plan.Plans}. Inside: {@code
 * PlanService} keeps them and their versions, {@code PlanTrial} reckons one that is not kept yet,
 * {@code PlanFiles} takes them out and in.
 */
@NullMarked
package riposo.server.plan;

import org.jspecify.annotations.NullMarked;
