package riposo.core.adapt;

import org.jspecify.annotations.Nullable;
import riposo.core.plan.Upper;

/**
 * The option above what a slot asks, for somebody who may do it. It is shown, never chosen: the
 * professional takes it.
 *
 * @param asked what the plan names
 * @param form what would be done; null where it is the same with more weight
 * @param taken the professional took it for this client
 */
public record UpperOption(Upper asked, @Nullable Performed form, boolean taken) {}
