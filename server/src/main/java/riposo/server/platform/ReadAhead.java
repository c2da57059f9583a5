package riposo.server.platform;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.UUID;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/**
 * Reads what a page asks of many clients with as many statements as for one: every module that
 * keeps something of clients reads its part. Only in transactions that read; elsewhere it does
 * nothing, and each is read as it is asked for.
 */
@Component
public class ReadAhead {
  /** What a page is about to ask of clients. */
  public enum For {
    /** Who they are and where they stand: screening, clearances, limits, stops. */
    STANDING,
    /** What they train as well: choices, weights, verdicts. */
    TRAINING
  }

  /** A module's part. */
  public interface Part {
    /** Reads ahead what this module is asked of these clients; with no more statements for more. */
    void readAhead(Collection<UUID> clients, For what);
  }

  /** At most this many in one query: of more the database makes another table first. */
  private static final int CHUNK = 500;

  private final ObjectProvider<Part> parts;

  ReadAhead(ObjectProvider<Part> parts) {
    this.parts = parts;
  }

  /** Reads all that is asked of these clients; one alone is left to be read as it is asked for. */
  public void of(Collection<UUID> clients, For what) {
    List<UUID> all = new ArrayList<>(new LinkedHashSet<>(clients));
    if (all.size() < 2) {
      return;
    }
    for (int from = 0; from < all.size(); from += CHUNK) {
      List<UUID> some = all.subList(from, Math.min(all.size(), from + CHUNK));
      parts.orderedStream().forEach(p -> p.readAhead(some, what));
    }
  }
}
