package riposo.server.checkin.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.tolerance.NextDay;

/** Answers as sent. */
final class CheckInForms {
  private CheckInForms() {}

  /** Four taps, and what is told besides; what was not asked is null. */
  record Answer(
      @NotNull(message = "Tap a number.")
          @Min(value = 0, message = "Pain runs from 0 to 10.")
          @Max(value = 10, message = "Pain runs from 0 to 10.")
          Integer pain,
      @NotNull(message = "Tap better, same or worse.") NextDay.Compared compared,
      @NotNull(message = "Tap yes or no.") Boolean moreTired,
      @NotNull(message = "Tap what is new, or nothing.") Set<NextDay.@NotNull Sign> newSigns,
      @Nullable @Size(max = 120, message = "At most 120 characters.") String where,
      @Nullable
          @Min(value = 0, message = "Soreness runs from 0 to 10.")
          @Max(value = 10, message = "Soreness runs from 0 to 10.")
          Integer soreness,
      @Nullable
          @Min(value = 0, message = "Sleep runs from 0 to 10.")
          @Max(value = 10, message = "Sleep runs from 0 to 10.")
          Integer sleep,
      @Nullable
          @Min(value = 0, message = "Energy runs from 0 to 10.")
          @Max(value = 10, message = "Energy runs from 0 to 10.")
          Integer energy,
      NextDay.@Nullable Swelling swelling,
      @Nullable @Size(max = 500, message = "At most 500 characters.") String words) {
    NextDay read() {
      return new NextDay(
          pain,
          compared,
          moreTired,
          newSigns,
          new NextDay.More(where, soreness, sleep, energy, swelling, words),
          null);
    }
  }

  /** How a professional asked. */
  enum By {
    PHONE(CheckInRows.How.PHONE),
    DOOR(CheckInRows.How.DOOR);

    final CheckInRows.How how;

    By(CheckInRows.How how) {
      this.how = how;
    }
  }

  /** What was told to the professional. */
  record Asked(
      @NotNull(message = "Say how it was told.") By by,
      @NotNull(message = "Give the answer.") @Valid Answer answer) {}

  /** Why a sign was told in error. */
  record InError(
      @NotBlank(message = "Say how it came to be told.")
          @Size(max = 400, message = "At most 400 characters.")
          String reason) {}
}
