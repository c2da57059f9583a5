package riposo.server.screening.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.screening.Clearance;
import riposo.core.screening.Happened;
import riposo.core.screening.OpenFinding;
import riposo.core.today.CareLine;
import riposo.core.wording.Wording;
import riposo.server.client.Attachments;
import riposo.server.client.ClientRecord;
import riposo.server.client.Clients;
import riposo.server.limit.Limits;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.screening.Readiness.ClientStanding;

/** Clearances with what they cover, set and lift, and what happens to a client. */
@Service
@Transactional
class ClearanceService {
  /** A limit that a clearance sets. */
  record SetLimit(
      @NotBlank(message = "Choose what is limited.") String axisId,
      @NotNull(message = "Choose a side.") Side side,
      int cap,
      @Nullable LocalDate until) {}

  /**
   * A clearance as sent; it covers findings, or sets or lifts limits, or both.
   *
   * @param aneurysmMm pressureLimit wanted where it covers an aneurysm: its size, and the systolic
   *     pressure that is not passed
   */
  record ClearanceForm(
      @NotBlank(message = "Say what they are: doctor, midwife, physiotherapist.")
          @Size(max = 40, message = "At most 40 characters.")
          String role,
      @NotBlank(message = "Give their name.") @Size(max = 120, message = "At most 120 characters.")
          String name,
      @NotNull(message = "Give the date.") LocalDate givenOn,
      @Nullable LocalDate validUntil,
      @NotNull @Size(max = 60, message = "At most 60 findings.") Set<String> covers,
      @Nullable @Size(max = 30, message = "At most 30 limits.") List<@Valid SetLimit> sets,
      @Nullable @Size(max = 60, message = "At most 60 limits.") List<UUID> lifts,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String note,
      @Nullable UUID attachmentId,
      @Nullable
          @Min(value = 10, message = "An aneurysm measures 10 to 150 mm.")
          @Max(value = 150, message = "An aneurysm measures 10 to 150 mm.")
          Integer aneurysmMm,
      @Nullable
          @Min(value = 90, message = "A pressure limit runs from 90 to 200 mmHg.")
          @Max(value = 200, message = "A pressure limit runs from 90 to 200 mmHg.")
          Integer pressureLimit) {}

  /**
   * A clearance as shown.
   *
   * @param voidedBy the sentence of the event that voids it; null while it stands
   * @param endsSoon ends within 14 days
   */
  record ClearanceView(
      UUID id,
      String role,
      String name,
      LocalDate givenOn,
      LocalDate validUntil,
      Set<String> covers,
      @Nullable String note,
      boolean expired,
      boolean endsSoon,
      @Nullable String voidedBy,
      Attachments.@Nullable Attachment attachment) {}

  /** Until when a clearance is good unless the clinician says otherwise, and why. */
  record DefaultUntil(LocalDate validUntil, String why) {}

  /** Something that happened, as sent. */
  record HappenedForm(
      @NotNull(message = "Say what happened.") Happened kind,
      @NotNull(message = "Give the date.") LocalDate on,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String note) {}

  /** Something that happened, as shown. */
  record HappenedView(
      UUID id,
      Happened kind,
      String words,
      LocalDate on,
      @Nullable String note,
      String recordedBy) {}

  private final ScreeningStores.Clearances clearances;
  private final ScreeningStores.Events events;
  private final ScreeningStores.Screenings screenings;
  private final StandingService standing;
  private final Clients clients;
  private final Limits limits;
  private final Attachments attachments;
  private final Json json;
  private final Audit audit;
  private final Studios studios;

  ClearanceService(
      ScreeningStores.Clearances clearances,
      ScreeningStores.Events events,
      ScreeningStores.Screenings screenings,
      StandingService standing,
      Clients clients,
      Limits limits,
      Attachments attachments,
      Json json,
      Audit audit,
      Studios studios) {
    this.clearances = clearances;
    this.events = events;
    this.screenings = screenings;
    this.standing = standing;
    this.clients = clients;
    this.limits = limits;
    this.attachments = attachments;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
  }

  @Transactional(readOnly = true)
  List<ClearanceView> list(UUID clientId) {
    clients.require(clientId);
    LocalDate today = studios.today();
    List<OpenFinding> all = standing.findings(clientId);
    return clearances.findByClientIdOrderByGivenOnDesc(clientId).stream()
        .map(
            c -> {
              OpenFinding by = standing.core(c).voidedBy(all);
              boolean expired = c.validUntil.isBefore(today);
              return new ClearanceView(
                  c.id,
                  c.role,
                  c.name,
                  c.givenOn,
                  c.validUntil,
                  json.read(c.covers, StandingService.RULES),
                  c.note,
                  expired,
                  !expired && !c.validUntil.isAfter(today.plusDays(Clearance.WARN_DAYS)),
                  by == null ? null : by.finding().text(),
                  attachments.of(clientId, c.attachmentId));
            })
        .toList();
  }

  /** The last day a clearance of that date is good for by default. */
  @Transactional(readOnly = true)
  DefaultUntil standard(UUID clientId, LocalDate givenOn, @Nullable Set<String> covers) {
    clients.require(clientId);
    Set<String> rules = covers == null ? Set.of() : covers;
    LocalDate due = due(clientId);
    LocalDate until = Clearance.defaultUntil(givenOn, rules, due);
    String why =
        until.equals(givenOn.plusMonths(12))
            ? "12 months"
            : until.equals(givenOn.plusWeeks(6))
                ? "6 weeks after an operation"
                : "the end of this trimester";
    return new DefaultUntil(until, why);
  }

  private @Nullable LocalDate due(UUID clientId) {
    List<ScreeningRow> rows = screenings.findByClientIdOrderByNumberDesc(clientId);
    if (rows.isEmpty()) {
      return null;
    }
    Map<String, String> answers = json.read(rows.get(0).answers, StandingService.ANSWERS);
    String due = answers.get("pregnancy.due");
    return due == null ? null : LocalDate.parse(due);
  }

  /** Records a clearance: what it covers, what it sets, what it lifts. */
  ClientStanding record(UUID clientId, ClearanceForm f) {
    clients.requireActive(clientId);
    LocalDate today = studios.today();
    List<SetLimit> sets = f.sets() == null ? List.of() : f.sets();
    List<UUID> lifts = f.lifts() == null ? List.of() : f.lifts();
    if (f.covers().isEmpty() && sets.isEmpty() && lifts.isEmpty()) {
      throw Problems.field("/covers", "Say what it covers, sets or lifts.");
    }
    if (f.givenOn().isAfter(today)) {
      throw Problems.field("/givenOn", "The clearance is dated " + f.givenOn() + ", after today.");
    }
    LocalDate until =
        f.validUntil() != null
            ? f.validUntil()
            : Clearance.defaultUntil(f.givenOn(), f.covers(), due(clientId));
    if (until.isBefore(f.givenOn())) {
      throw Problems.field("/validUntil", "It ends before it begins.");
    }
    if (until.isAfter(f.givenOn().plusMonths(12))) {
      throw Problems.field("/validUntil", "A clearance is good for 12 months at most.");
    }
    Set<String> known =
        standing.findings(clientId).stream()
            .map(x -> x.finding().rule())
            .collect(Collectors.toSet());
    for (String rule : f.covers()) {
      if (!known.contains(rule)) {
        throw Problems.field("/covers", "There is no finding " + rule + " to cover.");
      }
      if (rule.startsWith("standing.rescreen.")) {
        throw Problems.field("/covers", "A new screening answers this, not a clearance.");
      }
    }
    boolean aneurysm = f.covers().contains("standing.event.aneurysm");
    Integer size = f.aneurysmMm();
    Integer pressure = f.pressureLimit();
    List<Problems.Field> wanted = new ArrayList<>();
    if (aneurysm && size == null) {
      wanted.add(
          new Problems.Field("/aneurysmMm", "A clearance for an aneurysm states its size, in mm."));
    }
    if (aneurysm && pressure == null) {
      wanted.add(
          new Problems.Field(
              "/pressureLimit", "A clearance for an aneurysm states the pressure limit, in mmHg."));
    }
    if (!wanted.isEmpty()) {
      throw Problems.fields(wanted);
    }
    Attachments.Attachment file = attachments.of(clientId, f.attachmentId());
    ClearanceRow row = new ClearanceRow();
    row.createdAt = studios.now();
    row.clientId = clientId;
    row.role = f.role().trim();
    row.name = f.name().trim();
    row.givenOn = f.givenOn();
    row.validUntil = until;
    row.covers = json.write(f.covers());
    String said = aneurysm ? "aneurysm " + size + " mm, systolic under " + pressure + " mmHg" : "";
    row.note = said.isEmpty() ? f.note() : said + (f.note() == null ? "" : "; " + f.note());
    if (row.note != null && row.note.length() > 400) {
      throw Problems.field("/note", "At most 400 characters with size and pressure limit.");
    }
    row.attachmentId = file == null ? null : file.id();
    clearances.saveAndFlush(row);
    if (aneurysm && pressure != null) {
      tighten(clientId, pressure, row);
    }
    String source = row.role + " " + row.name + ", " + Wording.day(row.givenOn);
    for (UUID lift : new LinkedHashSet<>(lifts)) {
      limits.liftBy(clientId, lift, row.id, "clearance: " + source);
    }
    for (int i = 0; i < sets.size(); i++) {
      SetLimit s = sets.get(i);
      String at = "/sets/" + i;
      if (!riposo.core.limit.Axis.exists(s.axisId())) {
        throw Problems.field(at + "/axisId", "There is no such demand axis: " + s.axisId() + ".");
      }
      limits.add(
          clientId,
          new Limits.NewLimit(
              s.axisId(),
              s.side(),
              s.cap(),
              Strength.FIRM,
              source,
              "set by the clearance",
              today,
              s.until(),
              s.until(),
              row.attachmentId,
              row.id));
    }
    audit.changed(
        "recorded",
        "clearance",
        row.id,
        source + " covers " + f.covers() + ", sets " + sets.size() + ", lifts " + lifts.size(),
        clientId);
    return standing.of(clientId);
  }

  /** The pressure limit of a clearance becomes a line of the client's care plan, if it tightens. */
  private void tighten(UUID clientId, int systolic, ClearanceRow by) {
    ClientRecord r = clients.require(clientId).record();
    CareLine line =
        new CareLine(
            CareLine.Kind.SYSTOLIC_HIGH,
            java.math.BigDecimal.valueOf(systolic),
            by.role + " " + by.name,
            by.givenOn);
    clients.setRecord(clientId, r.withCareLines(CareLine.tightened(r.careLines(), line)));
  }

  @Transactional(readOnly = true)
  List<HappenedView> happened(UUID clientId) {
    clients.require(clientId);
    return events.findByClientIdOrderByOnDateDesc(clientId).stream()
        .map(h -> new HappenedView(h.id, h.kind, h.kind.words, h.onDate, h.note, h.recordedBy))
        .toList();
  }

  /**
   * Records that something happened: an event voids clearances, an illness asks for a screening.
   */
  ClientStanding happen(UUID clientId, HappenedForm f) {
    clients.requireActive(clientId);
    LocalDate today = studios.today();
    if (f.on().isAfter(today) || f.on().isBefore(today.minusYears(5))) {
      throw Problems.field("/on", "Give a day within the last five years, not " + f.on() + ".");
    }
    HappenedRow row = new HappenedRow();
    row.createdAt = studios.now();
    row.clientId = clientId;
    row.kind = f.kind();
    row.onDate = f.on();
    row.note = f.note();
    row.recordedBy = StudioContext.who();
    events.saveAndFlush(row);
    audit.changed(
        "recorded", "event", row.id, f.kind().words + " on " + Wording.day(f.on()), clientId);
    return standing.of(clientId);
  }
}
