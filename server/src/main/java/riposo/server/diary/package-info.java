/**
 * The diary of a client beside the sessions: what happened, what was told, what was noted, and what
 * was different before a day.
 */
@NullMarked
package riposo.server.diary;

import org.jspecify.annotations.NullMarked;
