/** Groups: who, where, which plan; lanes on the day; the group sheet. */
@NullMarked
package riposo.server.group;

import org.jspecify.annotations.NullMarked;
