/**
 * {@link riposo.core.movement.Movement}s with their {@link riposo.core.movement.Demands}, in {@link
 * riposo.core.movement.Family}s with a {@link riposo.core.movement.Purpose}; {@link
 * riposo.core.movement.Modifier}s make {@link riposo.core.movement.Variant}s of them through {@link
 * riposo.core.movement.Draft}; the {@link riposo.core.movement.Catalogue} holds all, {@link
 * riposo.core.movement.Soundness} finds contradictions, {@link riposo.core.movement.Ask} are the
 * words they are found by, {@link riposo.core.movement.Task} what a family is for.
 */
@NullMarked
package riposo.core.movement;

import org.jspecify.annotations.NullMarked;
