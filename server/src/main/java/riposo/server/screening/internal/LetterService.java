package riposo.server.screening.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.limit.Limit;
import riposo.core.limit.Strength;
import riposo.core.run.StopSign;
import riposo.core.screening.Finding;
import riposo.core.screening.OpenFinding;
import riposo.core.screening.Outcome;
import riposo.core.screening.Screening;
import riposo.core.today.TodayCheck;
import riposo.core.wording.Wording;
import riposo.server.client.ClientRecord;
import riposo.server.client.Clients;
import riposo.server.limit.Limits;
import riposo.server.platform.Json;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.screening.Readiness;
import riposo.server.screening.Readiness.ClientStanding;

/**
 * The letter to a clinician: what is open, what happened, what was measured; facts and questions
 * only.
 */
@Service
@Transactional(readOnly = true)
class LetterService {
  /**
   * A letter that asks for just what is wanted.
   *
   * @param happened what happened in or before a session and has not been cleared: the day, the
   *     sign, what was being done, weeks of pregnancy, readings
   * @param consent the day the client agreed that letters are sent; null when that is not on file
   */
  record Letter(
      LocalDate date,
      String studio,
      @Nullable String phone,
      String professional,
      String client,
      LocalDate birthDate,
      @Nullable String goal,
      List<String> happened,
      List<String> asked,
      List<String> limits,
      String work,
      @Nullable LocalDate consent) {}

  private final ScreeningStores.Events events;
  private final ScreeningStores.Checks checks;
  private final ScreeningStores.Screenings screenings;
  private final StandingService standing;
  private final Clients clients;
  private final Limits limits;
  private final Json json;
  private final Studios studios;

  LetterService(
      ScreeningStores.Events events,
      ScreeningStores.Checks checks,
      ScreeningStores.Screenings screenings,
      StandingService standing,
      Clients clients,
      Limits limits,
      Json json,
      Studios studios) {
    this.events = events;
    this.checks = checks;
    this.screenings = screenings;
    this.standing = standing;
    this.clients = clients;
    this.limits = limits;
    this.json = json;
    this.studios = studios;
  }

  /** The words of a letter to doctor, midwife or physiotherapist. */
  @Transactional(readOnly = true)
  Letter letter(UUID clientId) {
    Clients.Client c = clients.require(clientId);
    ClientStanding s = standing.of(clientId);
    LocalDate today = studios.today();
    List<String> asked = new ArrayList<>();
    for (Finding f : s.findings()) {
      boolean wanted = f.outcome() == Outcome.CLEARANCE_ONLY || f.outcome() == Outcome.ASK_FIRST;
      if (wanted && !f.rule().startsWith("standing.rescreen.")) {
        asked.add(f.text());
      }
    }
    List<String> due = new ArrayList<>();
    for (Limit l : limits.of(clientId)) {
      if (l.strength() == Strength.FIRM && l.activeOn(today)) {
        due.add(
            Wording.limit(l.axisId(), l.side(), l.cap())
                + " ("
                + l.source()
                + (l.reviewDueOn(today) ? ", review due" : "")
                + ")");
      }
    }
    ClientRecord.Consent consent = c.record().consent();
    return new Letter(
        today,
        studios.current().name(),
        studios.current().phone(),
        StudioContext.who(),
        c.name(),
        c.birthDate(),
        c.goal(),
        happenings(clientId, s.findings()),
        asked,
        due,
        "Strength and balance work, seated or standing, light to moderate (effort 3 to 6 of 10, able to talk in sentences), 2 to 3 times a week, adapted movement by movement to the limits you set, stopped at any warning sign.",
        consent != null && consent.coversLetters(today) ? consent.on() : null);
  }

  /** What happened that is still open, with all a clinician needs to judge it. */
  private List<String> happenings(UUID clientId, List<Finding> open) {
    List<String> all = new ArrayList<>();
    Set<String> rules = open.stream().map(Finding::rule).collect(Collectors.toSet());
    for (Readiness.Stopped stop : standing.stops(clientId)) {
      boolean stands =
          rules.contains(OpenFinding.STOP_EVENT) && stop.after() == StopSign.After.EMERGENCY
              || rules.contains(OpenFinding.STOP_ASKED) && stop.after() == StopSign.After.ASK_FIRST;
      if (stands) {
        String during = standing.during(stop);
        all.add(
            Wording.day(stop.day())
                + ", "
                + studios.time(stop.at())
                + ": the session was stopped"
                + (during == null ? "" : " during “" + during + "”")
                + ". What was seen: "
                + stop.words()
                + "."
                + weeks(clientId, stop.day())
                + readings(clientId, stop.day()));
      }
    }
    for (HappenedRow h : events.findByClientIdOrderByOnDateDesc(clientId)) {
      if (rules.contains(h.kind.finding(h.onDate, "").rule())) {
        all.add(
            Wording.day(h.onDate)
                + ": "
                + h.kind.words
                + (h.note == null ? "" : ", " + h.note)
                + "."
                + weeks(clientId, h.onDate));
      }
    }
    for (CheckRow k : checks.findByClientIdAndLeavesIsNotNullAndWithdrawnOnIsNull(clientId)) {
      boolean stands =
          rules.contains(OpenFinding.CHECK_URGENT) && k.leaves == Outcome.CLEARANCE_ONLY
              || rules.contains(OpenFinding.CHECK_ASKED) && k.leaves == Outcome.ASK_FIRST;
      if (stands) {
        all.add(
            Wording.day(k.onDate)
                + ", before a session: "
                + json.read(k.result, TodayCheck.Result.class).findings().stream()
                    .map(Finding::text)
                    .collect(Collectors.joining(" "))
                + weeks(clientId, k.onDate)
                + readings(clientId, k.onDate));
      }
    }
    return all;
  }

  private String weeks(UUID clientId, LocalDate day) {
    List<ScreeningRow> rows = screenings.findByClientIdOrderByNumberDesc(clientId);
    if (rows.isEmpty()) {
      return "";
    }
    String weeks =
        Screening.assess(json.read(rows.get(0).answers, StandingService.ANSWERS), day).gestation();
    return weeks == null ? "" : " Pregnant, " + weeks + " weeks that day.";
  }

  /** The readings taken that day, each with its time. */
  private String readings(UUID clientId, LocalDate day) {
    List<String> all = new ArrayList<>();
    for (CheckRow k : checks.findByClientIdAndOnDateOrderByCreatedAtDesc(clientId, day)) {
      if (k.withdrawnOn == null) {
        String words = json.read(k.given, TodayCheck.Given.class).readings();
        if (!words.isEmpty()) {
          all.add(0, studios.time(k.createdAt) + " " + words);
        }
      }
    }
    return all.isEmpty()
        ? " No reading was taken that day."
        : " Readings that day: " + String.join("; ", all) + ".";
  }
}
