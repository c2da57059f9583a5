package riposo.server.platform;

import org.jspecify.annotations.Nullable;

/** The If-Match header that every change of a versioned row carries. */
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
}
