package riposo.core.screening;

import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * The typed name under a screening that was read to the client and agreed.
 *
 * @param name as typed, 1 to 120 characters
 * @param onBehalf who the signer is to the client where the name is another; null where it is the
 *     client's own
 */
public record Signature(String name, @Nullable String onBehalf) {
  public Signature {
    name = name.trim();
    onBehalf = onBehalf == null || onBehalf.isBlank() ? null : onBehalf.trim();
  }

  /** Whether it is this client's own name; case and spaces play no part. */
  public boolean isOf(String client) {
    return plain(name).equals(plain(client));
  }

  /** Why it cannot stand for this client; null when it can. */
  public @Nullable String refusal(String client) {
    return isOf(client) || onBehalf != null
        ? null
        : "“"
            + name
            + "” is not "
            + client
            + ": say who signs on behalf, such as daughter, guardian, interpreter.";
  }

  /** "Ada Test", or "Eva Test (daughter), on behalf of Ada Test". */
  public String words(String client) {
    return isOf(client) ? name : name + " (" + onBehalf + "), on behalf of " + client;
  }

  private static String plain(String s) {
    return s.trim().replaceAll("\\s+", " ").toLowerCase(Locale.ROOT);
  }
}
