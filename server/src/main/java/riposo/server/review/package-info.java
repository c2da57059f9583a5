/**
 * Reviews of a client every six weeks or when asked: what was aimed at, what it cost, what next;
 * for the others through {@link riposo.server.review.Reviews}.
 */
@NullMarked
package riposo.server.review;

import org.jspecify.annotations.NullMarked;
