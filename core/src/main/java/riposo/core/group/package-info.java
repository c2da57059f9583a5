/**
 * Groups: {@link riposo.core.group.Lanes}, {@link riposo.core.group.KitShare kit sharing}, {@link
 * riposo.core.group.CountedRest the rest of counted work}, {@link riposo.core.group.Watch who needs
 * watching}, {@link riposo.core.group.Called how people are called}.
 */
@NullMarked
package riposo.core.group;

import org.jspecify.annotations.NullMarked;
