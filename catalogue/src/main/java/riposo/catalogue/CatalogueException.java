package riposo.catalogue;

import java.util.List;

/** Data that cannot be used; names every problem. */
public final class CatalogueException extends RuntimeException {
  /**
   * One problem.
   *
   * @param file the file's name
   * @param line counted from 1; 0 where the problem lies in no one line
   * @param field a JSON pointer; empty for the whole file
   */
  public record Problem(String file, int line, String field, String words) {
    @Override
    public String toString() {
      return file
          + (line > 0 ? " line " + line : "")
          + (field.isEmpty() ? "" : " " + field)
          + ": "
          + words;
    }
  }

  private final List<String> problems;
  private final List<Problem> details;

  CatalogueException(List<Problem> details) {
    this("the catalogue cannot be read", details.stream().map(Problem::toString).toList(), details);
  }

  CatalogueException(String what, List<String> problems) {
    this(what, problems, List.of());
  }

  private CatalogueException(String what, List<String> problems, List<Problem> details) {
    super(what + ":\n" + String.join("\n", problems));
    this.problems = List.copyOf(problems);
    this.details = List.copyOf(details);
  }

  public List<String> problems() {
    return problems;
  }

  /** The problems with file, line and field; empty where the source has no lines. */
  public List<Problem> details() {
    return details;
  }
}
