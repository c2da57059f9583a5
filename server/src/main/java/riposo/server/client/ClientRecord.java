package riposo.server.client;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Build;
import riposo.core.limit.Side;
import riposo.core.today.CareLine;

/**
 * What is known of a client beyond the form: history, medicines relevant to exercise, whom to call,
 * measures that rules rest on, the care plan, consent. Lists are never null.
 *
 * @param legFunction trunkControl for wheelchair users; null when not recorded
 * @param kneeCm height of the knee fold above the floor, cm
 * @param massKg body mass, whole kilograms
 * @param statureCm height of the body
 * @param restingPulse measuredMaximum, clinicCap bpm
 * @param olderMaximum use 220 - age instead of 208 - 0.7 x age
 * @param usualSystolic own usual systolic, mmHg
 * @param usualSaturation own usual oxygen saturation at rest, %
 */
public record ClientRecord(
    @Nullable @Size(max = 40, message = "At most 40 conditions.") List<@Valid Condition> conditions,
    @Nullable @Size(max = 40, message = "At most 40 operations.") List<@Valid Operation> operations,
    @Nullable @Size(max = 40, message = "At most 40 medicines.") List<@Valid Medicine> medicines,
    @Nullable @Size(max = 10, message = "At most 10 goals.")
        List<@NotBlank @Size(max = 400, message = "At most 400 characters.") String> goals,
    @Nullable @Size(max = 120, message = "At most 120 characters.") String emergencyName,
    @Nullable @Size(max = 60, message = "At most 60 characters.") String emergencyPhone,
    @Nullable Function legFunction,
    @Nullable Function trunkControl,
    @Nullable
        @Min(value = 25, message = "Knee height runs from 25 to 70 cm.")
        @Max(value = 70, message = "Knee height runs from 25 to 70 cm.")
        Integer kneeCm,
    @Nullable
        @Min(value = 30, message = "Resting pulse runs from 30 to 130 bpm.")
        @Max(value = 130, message = "Resting pulse runs from 30 to 130 bpm.")
        Integer restingPulse,
    @Nullable
        @Min(value = 80, message = "A measured maximum runs from 80 to 230 bpm.")
        @Max(value = 230, message = "A measured maximum runs from 80 to 230 bpm.")
        Integer measuredMaximum,
    boolean olderMaximum,
    @Nullable
        @Min(value = 50, message = "A pulse cap runs from 50 to 220 bpm.")
        @Max(value = 220, message = "A pulse cap runs from 50 to 220 bpm.")
        Integer clinicCap,
    @Nullable
        @Min(value = 60, message = "Usual systolic runs from 60 to 220 mmHg.")
        @Max(value = 220, message = "Usual systolic runs from 60 to 220 mmHg.")
        Integer usualSystolic,
    @Nullable
        @Min(value = 70, message = "Usual saturation runs from 70 to 100 %.")
        @Max(value = 100, message = "Usual saturation runs from 70 to 100 %.")
        Integer usualSaturation,
    @Nullable @Size(max = 14, message = "At most 14 lines.") List<@Valid CareLine> careLines,
    @Nullable @Valid Consent consent,
    @Nullable
        @Min(value = 25, message = "Body mass runs from 25 to 300 kg.")
        @Max(value = 300, message = "Body mass runs from 25 to 300 kg.")
        Integer massKg,
    @Nullable
        @Min(value = 100, message = "Stature runs from 100 to 230 cm.")
        @Max(value = 230, message = "Stature runs from 100 to 230 cm.")
        Integer statureCm) {

  /** A condition with its date and side. */
  public record Condition(
      @NotBlank(message = "Name the condition.")
          @Size(max = 160, message = "At most 160 characters.")
          String name,
      @Nullable Side side,
      @Nullable LocalDate since,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String note) {}

  /** An operation, and the surgeon's word where there is one. */
  public record Operation(
      @NotBlank(message = "Name the operation.")
          @Size(max = 160, message = "At most 160 characters.")
          String name,
      @Nullable Side side,
      @Nullable LocalDate on,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String word) {}

  /** A medicine by what it does to exercise. */
  public record Medicine(
      @NotBlank(message = "Name the medicine.")
          @Size(max = 160, message = "At most 160 characters.")
          String name,
      @NotNull Effect effect) {}

  /** What a medicine does that matters here. */
  public enum Effect {
    SLOWS_PULSE,
    LOWERS_PRESSURE,
    LOWERS_SUGAR,
    THINS_BLOOD,
    STEROID,
    OTHER
  }

  /** How much is there: leg function, trunk control. */
  public enum Function {
    NONE,
    SOME,
    FULL
  }

  /**
   * Consent to keep this record; withdrawn from a day on.
   *
   * @param letters the client also agreed that letters go to doctor, midwife or physiotherapist;
   *     null when not asked
   */
  public record Consent(
      @NotNull(message = "Give the day of the consent.") LocalDate on,
      @NotBlank(message = "Say who signed.") @Size(max = 120, message = "At most 120 characters.")
          String name,
      @Nullable LocalDate withdrawnOn,
      @Nullable Boolean letters) {

    /** Whether a letter may say that the client agreed to it. */
    public boolean coversLetters(LocalDate day) {
      return Boolean.TRUE.equals(letters)
          && !on.isAfter(day)
          && (withdrawnOn == null || withdrawnOn.isAfter(day));
    }
  }

  public static final ClientRecord EMPTY =
      new ClientRecord(
          null, null, null, null, null, null, null, null, null, null, null, false, null, null, null,
          null, null, null, null);

  public ClientRecord {
    conditions = conditions == null ? List.of() : List.copyOf(conditions);
    operations = operations == null ? List.of() : List.copyOf(operations);
    medicines = medicines == null ? List.of() : List.copyOf(medicines);
    goals = goals == null ? List.of() : List.copyOf(goals);
    careLines = careLines == null ? List.of() : List.copyOf(careLines);
  }

  /** Never null once made: none given is none. */
  @Override
  public List<String> goals() {
    return Objects.requireNonNull(goals);
  }

  /** Never null once made: none given is none. */
  @Override
  public List<Condition> conditions() {
    return Objects.requireNonNull(conditions);
  }

  /** Never null once made: none given is none. */
  @Override
  public List<Operation> operations() {
    return Objects.requireNonNull(operations);
  }

  /** Never null once made: none given is none. */
  @Override
  public List<CareLine> careLines() {
    return Objects.requireNonNull(careLines);
  }

  /** The same with another care plan. */
  public ClientRecord withCareLines(List<CareLine> lines) {
    return new ClientRecord(
        conditions,
        operations,
        medicines,
        goals,
        emergencyName,
        emergencyPhone,
        legFunction,
        trunkControl,
        kneeCm,
        restingPulse,
        measuredMaximum,
        olderMaximum,
        clinicCap,
        usualSystolic,
        usualSaturation,
        lines,
        consent,
        massKg,
        statureCm);
  }

  /** Mass and stature, as far as they are recorded. */
  public Build build() {
    return new Build(massKg, statureCm);
  }

  /** True when a medicine on file slows the pulse. */
  public boolean slowsPulse() {
    return takes(Effect.SLOWS_PULSE);
  }

  /** True when a medicine on file thins the blood. */
  public boolean thinsBlood() {
    return takes(Effect.THINS_BLOOD);
  }

  private boolean takes(Effect effect) {
    return medicines != null && medicines.stream().anyMatch(m -> m.effect() == effect);
  }
}
