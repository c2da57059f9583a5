/**
 * The day sheet and appointments ({@link riposo.server.day.Appointments}). Inside: {@code
 * DayService} the sheet, {@code CalendarService} the calendar file, {@code BookedDays} what was
 * booked for the page of tolerance.
 */
@NullMarked
package riposo.server.day;

import org.jspecify.annotations.NullMarked;
