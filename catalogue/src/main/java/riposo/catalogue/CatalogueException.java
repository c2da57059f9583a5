package riposo.catalogue;

import java.util.List;

/** The catalogue's data cannot be used; names every problem with file and field. */
public final class CatalogueException extends RuntimeException {
  private final List<String> problems;

  public CatalogueException(List<String> problems) {
    this("the catalogue cannot be read", problems);
  }

  CatalogueException(String what, List<String> problems) {
    super(what + ":\n" + String.join("\n", problems));
    this.problems = List.copyOf(problems);
  }

  public List<String> problems() {
    return problems;
  }
}
