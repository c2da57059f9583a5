package riposo.server.platform;

import java.util.List;
import java.util.function.Function;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.data.domain.Pageable;

/**
 * A page of a long list.
 *
 * @param total of the whole list
 * @param page from 0
 * @param pages at least 1
 */
public record Paged<T>(List<T> lines, long total, int page, int pages) {
  /** So many are on a page. */
  public static final int SIZE = 50;

  /** There are no lists of more pages. */
  public static final int MOST_PAGES = 100_000;

  public Paged {
    lines = List.copyOf(lines);
  }

  /** What to ask the database for. */
  public static Pageable ask(int page) {
    return PageRequest.of(page, SIZE);
  }

  public static <R, T> Paged<T> of(Page<R> rows, Function<R, T> shown) {
    return new Paged<>(
        rows.getContent().stream().map(shown).toList(),
        rows.getTotalElements(),
        rows.getNumber(),
        Math.max(1, rows.getTotalPages()));
  }
}
