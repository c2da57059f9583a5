/**
 * A client's review: when one is due ({@link riposo.core.review.ReviewDue}) and what became of each
 * family since the last ({@link riposo.core.review.Course}).
 */
@NullMarked
package riposo.core.review;

import org.jspecify.annotations.NullMarked;
