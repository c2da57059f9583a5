package riposo.server.screening.internal;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Side;
import riposo.core.run.StopSign;
import riposo.core.screening.Outcome;
import riposo.core.screening.Pressure;
import riposo.core.today.CheckGate;
import riposo.core.today.Glucose;
import riposo.core.today.TodayCheck;
import riposo.core.today.TodayCheck.Given;
import riposo.core.today.TodayCheck.Needs;
import riposo.core.today.TodayCheck.Result;
import riposo.core.today.TodayDay;
import riposo.server.adapt.ClientDays;
import riposo.server.client.Clients;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.screening.Readiness;
import riposo.server.screening.Readiness.ClientStanding;
import riposo.server.screening.TodayChecks;

/** Today's check: what to ask, what it comes to, kept whatever the answer. */
@Service
@Transactional
class TodayService implements TodayChecks {
  private static final String DECIMAL = "\\d{1,3}([.,]\\d{1,2})?";

  /** Readings and answers as sent; null where not taken. Decimals as text, comma or point. */
  record CheckForm(
      @Nullable Integer systolic,
      @Nullable Integer diastolic,
      @Nullable Integer pulse,
      boolean pulseIrregular,
      @Nullable Integer saturation,
      @Nullable @Pattern(regexp = DECIMAL, message = "Write glucose as a number, such as 5.4.")
          String glucose,
      @Nullable @Pattern(regexp = "MMOL|MGDL", message = "MMOL or MGDL.") String glucoseUnit,
      @Nullable @Pattern(regexp = DECIMAL, message = "Write ketones as a number, such as 0.6.")
          String ketones,
      boolean severeLow,
      @Nullable
          @Pattern(regexp = DECIMAL, message = "Write the temperature as a number, such as 37.2.")
          String temperature,
      @Nullable Integer sleep,
      @Nullable Integer energy,
      @Nullable Integer pain,
      boolean wobbly,
      boolean hardYesterday,
      @NotNull @Size(max = 20, message = "At most 20 signs.") Set<TodayCheck.Sign> signs) {}

  /** A check as shown. */
  record CheckView(@Nullable UUID id, Result result, String words) {}

  private final ScreeningStores.Checks checks;
  private final StandingService standing;
  private final Clients clients;
  private final ClientDays days;
  private final Json json;
  private final Audit audit;
  private final Studios studios;

  TodayService(
      ScreeningStores.Checks checks,
      StandingService standing,
      Clients clients,
      ClientDays days,
      Json json,
      Audit audit,
      Studios studios) {
    this.checks = checks;
    this.standing = standing;
    this.clients = clients;
    this.days = days;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
  }

  @Override
  @Transactional(readOnly = true)
  public Needs needs(UUID clientId) {
    Clients.Client c = clients.require(clientId);
    ClientStanding s = standing.of(clientId);
    Caps caps = days.of(clientId, studios.today()).caps();
    boolean balance = caps.cap(Axis.BALANCE, Side.BOTH) < Axis.BALANCE.greatest;
    return new Needs(
        s.readings(),
        s.maternity(),
        s.highSpine(),
        c.record().usualSystolic(),
        s.sugarRules(),
        balance,
        c.school(),
        c.usualPain(),
        c.record().careLines(),
        s.todayFacts(),
        c.record().usualSaturation(),
        s.pulse().eventUntil() != null
            && !s.pulse().eventUntil().isBefore(studios.today())
            && c.record().restingPulse() == null);
  }

  /** What the answers so far come to; nothing is stored. */
  CheckView preview(UUID clientId, CheckForm f) {
    Given given = given(f);
    Result alone = TodayCheck.assess(needs(clientId), given);
    Result r =
        TodayDay.with(counting(clientId, null), new TodayDay.Kept(studios.now(), given, alone));
    return new CheckView(null, r, words(r));
  }

  /** Today's checks that count, in time order, up to the one given and without it. */
  private List<TodayDay.Kept> counting(UUID clientId, @Nullable CheckRow before) {
    List<TodayDay.Kept> all = new ArrayList<>();
    for (CheckRow row :
        checks.findByClientIdAndOnDateOrderByCreatedAtDesc(clientId, studios.today())) {
      boolean earlier = before == null || row.createdAt.isBefore(before.createdAt);
      if (row.withdrawnOn == null && earlier) {
        all.add(0, kept(row));
      }
    }
    return all;
  }

  private TodayDay.Kept kept(CheckRow row) {
    return new TodayDay.Kept(
        row.createdAt, json.read(row.given, Given.class), json.read(row.result, Result.class));
  }

  /** The check as the day leaves it. */
  private Result onTheDay(CheckRow row) {
    return TodayDay.with(counting(row.clientId, row), kept(row));
  }

  /** Judges and keeps a check, whatever it comes to. */
  CheckView keep(UUID clientId, CheckForm f) {
    clients.requireActive(clientId);
    CheckRow row = store(clientId, given(f));
    Result r = onTheDay(row);
    return new CheckView(row.id, r, words(r));
  }

  @Override
  public UUID check(UUID clientId, Given given) {
    return store(clientId, given).id;
  }

  private CheckRow store(UUID clientId, Given given) {
    Result r = TodayCheck.assess(needs(clientId), given);
    CheckRow row = new CheckRow();
    row.createdAt = studios.now();
    row.clientId = clientId;
    row.onDate = studios.today();
    row.given = json.write(given);
    row.result = json.write(r);
    row.outcome = r.outcome().name();
    row.leaves = TodayCheck.leaves(r);
    checks.saveAndFlush(row);
    audit.changed("checked", "today", row.id, r.outcome() + ", " + r.dose(), clientId);
    return row;
  }

  private static Given given(CheckForm f) {
    Pressure p = null;
    if (f.systolic() != null && f.diastolic() != null) {
      int s = f.systolic();
      int d = f.diastolic();
      p = Problems.at("/systolic", () -> new Pressure(s, d));
    } else if (f.systolic() != null || f.diastolic() != null) {
      throw Problems.field(
          f.systolic() == null ? "/systolic" : "/diastolic", "Give both numbers of the reading.");
    }
    Glucose g = null;
    if (f.glucose() != null) {
      String value = f.glucose().replace(',', '.');
      boolean mgdl = "MGDL".equals(f.glucoseUnit());
      g = Problems.at("/glucose", () -> mgdl ? Glucose.mgdl(value) : Glucose.mmol(value));
    }
    Glucose glucose = g;
    Pressure pressure = p;
    return Problems.at(
        at(f),
        () ->
            new Given(
                pressure,
                f.pulse(),
                f.pulseIrregular(),
                f.saturation(),
                glucose,
                decimal(f.ketones()),
                f.severeLow(),
                decimal(f.temperature()),
                f.sleep(),
                f.energy(),
                f.pain(),
                f.wobbly(),
                f.hardYesterday(),
                f.signs()));
  }

  /** Which field a refusal of the whole is about: the first out of its range. */
  private static String at(CheckForm f) {
    return out(f.pulse(), 20, 250)
        ? "/pulse"
        : out(f.saturation(), 50, 100)
            ? "/saturation"
            : out(f.sleep(), 0, 10)
                ? "/sleep"
                : out(f.energy(), 0, 10)
                    ? "/energy"
                    : out(f.pain(), 0, 10)
                        ? "/pain"
                        : f.temperature() != null ? "/temperature" : "/ketones";
  }

  private static boolean out(@Nullable Integer v, int least, int most) {
    return v != null && (v < least || v > most);
  }

  private static @Nullable BigDecimal decimal(@Nullable String s) {
    return s == null ? null : new BigDecimal(s.replace(',', '.'));
  }

  private static String words(Result r) {
    if (r.outcome() == Outcome.STILL_OPEN) {
      return "The start waits for what is still wanted.";
    }
    return switch (r.dose()) {
      case AS_PLANNED -> "As planned.";
      case EASED ->
          "Eased: one set less, a fifth less weight or a rung down, rests half as long again.";
      case SHORT -> "Short: warm-up and two or three movements, about 10 minutes.";
      case NOT_TODAY ->
          r.outcome() == Outcome.URGENT
              ? "Act now: stop, call the emergency number, stay with them."
              : "Not today.";
    };
  }

  @Override
  public Checked require(UUID clientId, @Nullable UUID checkId) {
    List<CheckRow> rows = today(clientId);
    int chosen = rows.stream().map(c -> c.id).toList().indexOf(checkId);
    CheckGate.Answer answer = gate(clientId, rows, chosen);
    if (answer instanceof CheckGate.Refused r) {
      throw r.why().isEmpty()
          ? Problems.refused(r.bar().code, r.sentence())
          : Problems.refused(r.bar().code, r.sentence(), r.why());
    }
    return good(rows.get(chosen), (CheckGate.Good) answer);
  }

  @Override
  @Transactional(readOnly = true)
  public @Nullable Checked usable(UUID clientId) {
    List<CheckRow> rows = today(clientId);
    int newest = rows.size() - 1;
    return newest >= 0 && gate(clientId, rows, newest) instanceof CheckGate.Good good
        ? good(rows.get(newest), good)
        : null;
  }

  /** Today's checks that count, in time order. */
  private List<CheckRow> today(UUID clientId) {
    return checks.findByClientIdAndOnDateOrderByCreatedAtDesc(clientId, studios.today()).stream()
        .filter(c -> c.withdrawnOn == null)
        .sorted(Comparator.comparing(c -> c.createdAt))
        .toList();
  }

  private CheckGate.Answer gate(UUID clientId, List<CheckRow> rows, int chosen) {
    List<Instant> lows =
        standing.stops(clientId).stream()
            .filter(s -> s.after() == StopSign.After.GLUCOSE && s.day().equals(studios.today()))
            .map(Readiness.Stopped::at)
            .toList();
    return CheckGate.of(
        rows.stream().map(this::kept).toList(), chosen, studios.now(), needs(clientId), lows);
  }

  private Checked good(CheckRow row, CheckGate.Good answer) {
    Checked c = checked(row);
    return new Checked(
        c.id(),
        c.at(),
        c.time(),
        c.today(),
        c.pain(),
        c.pressure(),
        answer.result(),
        c.withdrawn(),
        c.open());
  }

  private Checked checked(CheckRow row) {
    Given g = json.read(row.given, Given.class);
    Pressure p = g.pressure();
    return new Checked(
        row.id,
        row.createdAt,
        studios.time(row.createdAt),
        row.onDate.equals(studios.today()),
        g.pain(),
        p == null ? null : p.systolic() + "/" + p.diastolic() + " mmHg",
        json.read(row.result, Result.class),
        row.withdrawnOn == null
            ? null
            : "withdrawn by " + row.withdrawnBy + ": " + row.withdrawnReason,
        row.withdrawnOn == null && row.onDate.equals(studios.today()));
  }

  /** Why a check was a mistaken tap. */
  record Mistake(
      @NotBlank(message = "Say how it came to be tapped.")
          @Size(max = 400, message = "At most 400 characters.")
          String reason) {}

  /** Withdraws a check as a mistaken tap, with a reason and on its own day; both are kept. */
  List<Checked> withdraw(UUID clientId, UUID id, Mistake body) {
    clients.require(clientId);
    CheckRow row = checks.require(id, "check");
    if (!row.clientId.equals(clientId)) {
      throw Problems.notFound("check", id);
    }
    if (row.withdrawnOn != null) {
      throw Problems.refused("already-withdrawn", "This check was withdrawn already.");
    }
    if (!row.onDate.equals(studios.today())) {
      throw Problems.refused(
          "too-late", "A mistaken tap is withdrawn on its own day only; now it takes a word.");
    }
    row.withdrawnOn = studios.today();
    row.withdrawnBy = StudioContext.who();
    row.withdrawnReason = body.reason().trim();
    checks.saveAndFlush(row);
    audit.changed("withdrew", "today", id, row.outcome + ": " + row.withdrawnReason, clientId);
    return of(clientId);
  }

  @Override
  @Transactional(readOnly = true)
  public List<Checked> of(UUID clientId) {
    clients.require(clientId);
    return checks.findByClientIdOrderByCreatedAtDesc(clientId).stream().map(this::checked).toList();
  }

  @Override
  @Transactional(readOnly = true)
  public List<Felt> felt(UUID clientId, LocalDate since) {
    return checks
        .findByClientIdAndOnDateGreaterThanEqualAndWithdrawnOnIsNullOrderByCreatedAt(
            clientId, since)
        .stream()
        .map(
            c -> {
              Given g = json.read(c.given, Given.class);
              return new Felt(c.onDate, g.sleep(), g.energy(), g.hardYesterday());
            })
        .toList();
  }
}
