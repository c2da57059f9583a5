/** The next-day check-in and the outbox it is sent through. */
@NullMarked
package riposo.server.checkin;

import org.jspecify.annotations.NullMarked;
