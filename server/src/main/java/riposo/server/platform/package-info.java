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
 * <p>At the size of a real practice: {@link riposo.server.platform.OncePerRead} works a thing out
 * once in a read, {@link riposo.server.platform.RowsOf} and {@link
 * riposo.server.platform.ReadAhead} read it for many clients with as many statements as for one,
 * {@link riposo.server.platform.Stamps} tell whether anything of a client changed ({@link
 * riposo.server.platform.StampedItself}, {@link riposo.server.platform.Unstamped}), {@link
 * riposo.server.platform.Stamped} keeps what lists show as long as nothing did, {@link
 * riposo.server.platform.Heavy} marks requests of which few are worked on at once, {@link
 * riposo.server.platform.Paged} and {@link riposo.server.platform.PageNumber} turn long lists page
 * by page.
 *
 * <p>What is sent is read strictly, in bodies and addresses alike ({@code internal.Requests}), and
 * stands in the log without being able to pass for an entry ({@code internal.Said}); who signs in,
 * and how often it is tried, is {@code internal.SignIns} and {@code internal.SignInTries}.
 *
 * <p>In each module a {@code …Controller} answers HTTP and opens no transaction, a {@code …Service}
 * or {@code …Views} opens it and knows nothing of HTTP; reads are read-only. Tests hold it.
 */
@NullMarked
package riposo.server.platform;

import org.jspecify.annotations.NullMarked;
