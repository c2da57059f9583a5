/**
 * The day sheet and appointments ({@link riposo.server.day.Appointments}). Inside: {@code
 * ClientFacts} and {@code SessionFacts} what sheets and lists tell of a client and of a session,
 * kept while nothing of them changed; {@code DayService} the sheet, {@code Waits} what waits,
 * {@code Mornings} what was told, {@code ClientListService} the clients page by page, {@code
 * CalendarService} the calendar file, {@code BookedDays} what was booked for the page of tolerance.
 */
@NullMarked
package riposo.server.day;

import org.jspecify.annotations.NullMarked;
