package riposo.server.review.internal;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;

/** What is decided at a review, as sent. */
final class ReviewForms {
  private ReviewForms() {}

  /** What a point becomes. */
  enum PointKind {
    GOAL,
    LIMIT,
    PLAN,
    EFFORT,
    OTHER
  }

  /**
   * A point that is decided; only the fields of its kind are wanted.
   *
   * @param words the new goal in the client's words, why a limit is set, or a point that becomes
   *     nothing else
   * @param axisId of a limit, with its side, cap and last day
   * @param planId by which the coming sessions go
   * @param effort aimed for from now on, 1 to 10
   */
  record PointForm(
      @NotNull(message = "Say what it becomes.") PointKind kind,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String words,
      @Nullable String axisId,
      @Nullable Side side,
      @Nullable Integer cap,
      @Nullable LocalDate until,
      @Nullable UUID planId,
      @Nullable
          @Min(value = 1, message = "Effort aimed for runs from 1 to 10.")
          @Max(value = 10, message = "Effort aimed for runs from 1 to 10.")
          Integer effort) {}

  /** Closes a review, with words for the client. */
  record CloseForm(
      @Nullable @Size(max = 1000, message = "At most 1000 characters.") String words) {}
}
