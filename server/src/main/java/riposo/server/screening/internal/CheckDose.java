package riposo.server.screening.internal;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import riposo.core.adapt.TodayDose;
import riposo.core.today.TodayCheck;
import riposo.server.adapt.TodaySource;
import riposo.server.platform.Studios;
import riposo.server.screening.TodayChecks;

/** The dose of the newest check of today. */
@Component
class CheckDose implements TodaySource {
  private final TodayChecks checks;
  private final Studios studios;

  CheckDose(TodayChecks checks, Studios studios) {
    this.checks = checks;
    this.studios = studios;
  }

  @Override
  public Optional<TodayDose> today(UUID clientId) {
    ZoneId zone = ZoneId.of(studios.current().zone());
    return checks.of(clientId).stream()
        .filter(c -> c.withdrawn() == null)
        .findFirst()
        .filter(c -> LocalDate.ofInstant(c.at(), zone).equals(studios.today()))
        .map(TodayChecks.Checked::result)
        .filter(r -> r.dose() != TodayCheck.Dose.NOT_TODAY)
        .map(r -> new TodayDose(r.dose(), r.effortCap(), r.noLongHolds(), r.wobbly()));
  }
}
