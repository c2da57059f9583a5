package riposo.core.screening;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One question of the screening.
 *
 * @param showIf when it is asked: question ids that must be answered yes or not sure, or {@code
 *     id=option}, any one of several parted by {@code |}; null when always asked
 * @param options the words of a CHOICE by their values; empty otherwise
 * @param least least value of a number; null otherwise
 * @param optional true when it may be left open
 * @param protective true when a yes is the good answer: then not sure counts as no
 * @param fresh true when it is about now: asked anew at every screening, never carried over
 */
public record Question(
    String id,
    String group,
    String text,
    Kind kind,
    @Nullable String showIf,
    List<Option> options,
    @Nullable Integer least,
    @Nullable Integer greatest,
    @Nullable String unit,
    boolean optional,
    boolean protective,
    boolean fresh) {
  /** How it is answered. */
  public enum Kind {
    YES_NO,
    SIDE,
    CHOICE,
    DATE,
    NUMBER
  }

  /** One of a few answers: the value kept and the words shown. */
  public record Option(String value, String words) {}
}
