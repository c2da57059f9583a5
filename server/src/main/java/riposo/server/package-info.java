/**
 * The server: loads, calls core, stores. Each package is a module; its root is the module's API.
 */
@NullMarked
package riposo.server;

import org.jspecify.annotations.NullMarked;
