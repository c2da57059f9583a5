package riposo.server.platform;

import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** The version that every change of a versioned row carries, and what is done when it is old. */
public final class Versions {
  private Versions() {}

  /**
   * The version in an If-Match header such as "3"; a 422 problem when it is missing or malformed.
   */
  public static long of(@Nullable String ifMatch) {
    if (ifMatch == null) {
      throw Problems.field("/If-Match", "Say which version you changed (If-Match).");
    }
    try {
      return Long.parseLong(ifMatch.replace("\"", "").trim());
    } catch (NumberFormatException e) {
      throw Problems.field("/If-Match", "The version in If-Match must be a number.");
    }
  }

  /**
   * Nothing when the row still has the version the change was made on; else a 409 problem with
   * both.
   *
   * @param theirs what is stored, as shown; made only when it is wanted
   * @param yours what was sent
   */
  public static void same(Owned row, long version, Supplier<?> theirs, Object yours) {
    if (row.version != version) {
      throw Problems.stale(theirs.get(), yours);
    }
  }
}
