/**
 * The catalogue at run time: {@link riposo.server.movement.Movements}, drawn by {@link
 * riposo.server.movement.FigureSvg}; a studio's own read by {@link
 * riposo.server.movement.OwnDraft}. Inside: {@code MovementService} shows, {@code
 * OwnMovementService} the studio's own.
 */
@NullMarked
package riposo.server.movement;

import org.jspecify.annotations.NullMarked;
