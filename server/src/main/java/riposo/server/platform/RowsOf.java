package riposo.server.platform;

import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Rows of one kind that belong to somebody or something: of one, or read ahead for many with one
 * query. In a transaction that only reads they are read once.
 */
public final class RowsOf<R> {
  private final Function<Collection<UUID>, List<R>> query;
  private final Function<R, UUID> owner;

  /**
   * @param query the rows of these owners, those of one owner in the order they are wanted in
   * @param owner whose a row is
   */
  public RowsOf(Function<Collection<UUID>, List<R>> query, Function<R, UUID> owner) {
    this.query = query;
    this.owner = owner;
  }

  /** The rows of one owner; empty where there are none. */
  public List<R> of(UUID id) {
    return OncePerRead.of(this, id, () -> query.apply(List.of(id)));
  }

  /** Reads those of all these owners at once. */
  public void ahead(Collection<UUID> ids) {
    OncePerRead.ahead(
        this,
        ids,
        wanted -> query.apply(Set.copyOf(wanted)).stream().collect(Collectors.groupingBy(owner)),
        List.of());
  }
}
