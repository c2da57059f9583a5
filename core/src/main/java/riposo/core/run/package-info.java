/**
 * The run. {@link riposo.core.run.RunEvent} is one thing that happened, {@link
 * riposo.core.run.RunState} what all of them come to, {@link riposo.core.run.DoneSet} a logged set
 * with what was asked of it, {@link riposo.core.run.StopSign} a sign of the stop panel with what to
 * do first, {@link riposo.core.run.StopFor} for whom it comes first.
 */
@NullMarked
package riposo.core.run;

import org.jspecify.annotations.NullMarked;
