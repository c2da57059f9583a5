@NullMarked
package riposo.server.movement.internal;

import org.jspecify.annotations.NullMarked;
