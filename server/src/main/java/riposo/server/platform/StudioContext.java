package riposo.server.platform;

import java.util.UUID;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;

/** Whose data this thread works on: the signed-in studio, or one entered for a piece of work. */
public final class StudioContext {
  /** Matches no row: what a thread without a studio sees. */
  public static final UUID NONE = new UUID(0, 0);

  private record Entered(UUID studioId, String who) {}

  private static final ThreadLocal<@Nullable Entered> ENTERED = new ThreadLocal<>();

  private StudioContext() {}

  public static UUID current() {
    Entered entered = ENTERED.get();
    if (entered != null) {
      return entered.studioId();
    }
    Professional p = professional();
    return p == null ? NONE : p.studioId();
  }

  /** The signed-in professional; null when nobody is. */
  public static @Nullable Professional professional() {
    Authentication a = SecurityContextHolder.getContext().getAuthentication();
    return a != null && a.getPrincipal() instanceof Professional p ? p : null;
  }

  /** The name that goes on record for what this thread does. */
  public static String who() {
    Entered entered = ENTERED.get();
    Professional p = professional();
    return entered != null ? entered.who() : p == null ? "nobody" : p.displayName();
  }

  /** Works inside a studio under a name; open the transaction inside, not outside. */
  public static <T> T within(UUID studioId, String who, Supplier<T> work) {
    Entered before = ENTERED.get();
    ENTERED.set(new Entered(studioId, who));
    try {
      return work.get();
    } finally {
      if (before == null) {
        ENTERED.remove();
      } else {
        ENTERED.set(before);
      }
    }
  }
}
