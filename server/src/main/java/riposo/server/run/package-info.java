/**
 * Live sessions, for the other modules through {@link riposo.server.run.Runs}. Inside: {@code
 * RunService} starts and closes, {@code EventService} takes in what devices tell, {@code Intake}
 * reads it, {@code RunLog} keeps events and sets, {@code RunViews} shows, {@code StopService} says
 * what follows from a STOP, {@code ScreenService} shows the second screen, {@code
 * ThroughDayService} doses without a clock.
 */
@NullMarked
package riposo.server.run;

import org.jspecify.annotations.NullMarked;
