package riposo.core.screening;

import org.jspecify.annotations.Nullable;

/**
 * One question of the screening.
 *
 * @param showIf id of the question that must be answered yes or not sure first; null when always
 *     asked
 * @param least least value of a number; null otherwise
 * @param optional true when it may be left open
 */
public record Question(
    String id,
    String group,
    String text,
    Kind kind,
    @Nullable String showIf,
    @Nullable Integer least,
    @Nullable Integer greatest,
    @Nullable String unit,
    boolean optional) {
  /** How it is answered. */
  public enum Kind {
    YES_NO,
    SIDE,
    DATE,
    NUMBER
  }
}
