/**
 * Limits of a client with their history: {@link riposo.server.limit.Limits}, and ways to the floor
 * that others saw ({@link riposo.server.limit.FloorEvents}). Inside: {@code LimitService} sets,
 * replaces and lifts, {@code LimitViews} shows, {@code FloorService} the ways to the floor.
 */
@NullMarked
package riposo.server.limit;

import org.jspecify.annotations.NullMarked;
