package riposo.server.platform.internal;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.DateTimeException;
import java.time.ZoneId;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.server.platform.Audit;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;

/** The studio's own settings: name, zone, the emergency number, units. */
@Service
@Transactional
class SettingsService {
  /** Settings as sent. */
  record SettingsForm(
      @NotBlank(message = "Give the studio's name.")
          @Size(max = 120, message = "At most 120 characters.")
          String name,
      @NotBlank(message = "Give the time zone, such as Europe/Oslo.") String zone,
      @NotBlank(message = "Give the emergency number that works where you are.")
          @Pattern(regexp = "[0-9 +()-]{2,40}", message = "Digits, spaces and + only.")
          String emergencyNumber,
      @NotNull @Pattern(regexp = "KG|LB", message = "KG or LB.") String massUnit,
      @NotNull @Pattern(regexp = "MMOL|MGDL", message = "MMOL or MGDL.") String glucoseUnit,
      @Nullable @Pattern(regexp = "[0-9 +()/-]{0,60}", message = "Digits, spaces and + only.")
          String phone) {}

  private final Studios studios;
  private final Audit audit;

  SettingsService(Studios studios, Audit audit) {
    this.studios = studios;
    this.audit = audit;
  }

  @Transactional(readOnly = true)
  Studios.Studio settings() {
    return studios.current();
  }

  Studios.Studio change(long version, SettingsForm f) {
    String zone;
    try {
      zone = ZoneId.of(f.zone()).getId();
    } catch (DateTimeException e) {
      throw Problems.field("/zone", "There is no time zone " + f.zone() + ".");
    }
    Studios.Studio before = studios.current();
    if (before.version() != version) {
      throw Problems.stale(before, f);
    }
    studios.change(
        version,
        f.name().trim(),
        zone,
        f.emergencyNumber().trim(),
        f.massUnit(),
        f.glucoseUnit(),
        f.phone() == null || f.phone().isBlank() ? null : f.phone().trim());
    audit.changed(
        "changed",
        "settings",
        StudioContext.current(),
        before.emergencyNumber()
            + " → "
            + f.emergencyNumber()
            + ", "
            + before.zone()
            + " → "
            + zone);
    return studios.current();
  }
}
