package riposo.server.platform;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.NoRepositoryBean;
import org.springframework.data.repository.Repository;

/** The one repository base for owned rows. */
@NoRepositoryBean
public interface Store<T extends Owned> extends Repository<T, UUID> {
  Optional<T> findById(UUID id);

  List<T> findAll();

  T save(T row);

  T saveAndFlush(T row);

  void delete(T row);

  void flush();

  /** Deletes rows for good, at once, and returns their ids. */
  default List<UUID> erase(Collection<T> rows) {
    List<UUID> gone = rows.stream().map(r -> r.id).toList();
    rows.forEach(this::delete);
    flush();
    return gone;
  }

  /** The row, or a 404 problem naming what was looked for. */
  default T require(UUID id, String what) {
    return findById(id).orElseThrow(() -> Problems.notFound(what, id));
  }
}
