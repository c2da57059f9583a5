/**
 * Groups, for the others through {@link riposo.server.group.Groups}. Inside: {@code GroupService}
 * who, where and which plan, {@code MeetingService} one meeting with its lanes, {@code GroupRuns}
 * its run, {@code SheetMaker} and {@code GroupPrint} the sheet on screen and on paper.
 */
@NullMarked
package riposo.server.group;

import org.jspecify.annotations.NullMarked;
