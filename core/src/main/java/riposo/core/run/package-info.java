/**
 * The run. {@link riposo.core.run.RunSheet} is what it was started with, {@link
 * riposo.core.run.RunEvent} one thing that happened with its {@link riposo.core.run.Stamp}, {@link
 * riposo.core.run.Entry} what is told of a set, {@link riposo.core.run.Change} a slot done
 * otherwise, {@link riposo.core.run.Symptom} a mild symptom, {@link riposo.core.run.Leaving} why
 * somebody left, {@link riposo.core.run.RunState} what all events come to, {@link
 * riposo.core.run.DoneSet} a logged set with what was asked of it, {@link riposo.core.run.StopSign}
 * a sign of the stop panel with what to do first, {@link riposo.core.run.StopFor} for whom it comes
 * first. {@link riposo.core.run.Changes} is what the slots have become and {@link
 * riposo.core.run.Doing} what is done in one set. {@link riposo.core.run.RunSheets} makes a sheet
 * of an adapted plan, of one person or of a group, {@link riposo.core.run.StartGate} says who may
 * start, {@link riposo.core.run.DoneRun} is what one person did in one run, {@link
 * riposo.core.run.AfterSymptom} what is felt after it, {@link riposo.core.run.OwnTime} how long
 * they were in it, {@link riposo.core.run.WorkPulses} the pulse at each family's work.
 */
@NullMarked
package riposo.core.run;

import org.jspecify.annotations.NullMarked;
