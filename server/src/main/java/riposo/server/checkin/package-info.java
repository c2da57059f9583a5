/**
 * The next-day check-in, for the others through {@link riposo.server.checkin.CheckIns}, and the
 * outbox behind {@link riposo.server.checkin.MailPort}.
 */
@NullMarked
package riposo.server.checkin;

import org.jspecify.annotations.NullMarked;
