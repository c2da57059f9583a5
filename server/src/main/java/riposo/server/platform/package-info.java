/**
 * What every module stands on. {@link riposo.server.platform.StudioContext} and {@link
 * riposo.server.platform.Studios}: whose work it is. {@link riposo.server.platform.Owned}, {@link
 * riposo.server.platform.Archivable} and {@link riposo.server.platform.Store}: rows, always a
 * studio's; {@link riposo.server.platform.Archive} puts them away. {@link
 * riposo.server.platform.IfMatch} and {@link riposo.server.platform.Versions}: on which version a
 * change was made. {@link riposo.server.platform.Problems}: what is refused. {@link
 * riposo.server.platform.Audit}: who did what. {@link riposo.server.platform.AsOfClock}, {@link
 * riposo.server.platform.Json}, {@link riposo.server.platform.Pdf}, {@link
 * riposo.server.platform.Download}.
 *
 * <p>In each module a {@code …Controller} answers HTTP and opens no transaction, a {@code …Service}
 * or {@code …Views} opens it and knows nothing of HTTP; reads are read-only. Tests hold it.
 */
@NullMarked
package riposo.server.platform;

import org.jspecify.annotations.NullMarked;
