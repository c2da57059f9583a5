package riposo.server.day.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.limit.Limit;
import riposo.core.run.StartGate;
import riposo.core.screening.Outcome;
import riposo.core.wording.Wording;
import riposo.server.checkin.CheckIns;
import riposo.server.client.Clients;
import riposo.server.limit.Limits;
import riposo.server.platform.Studios;
import riposo.server.review.Reviews;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;
import riposo.server.tolerance.Verdicts;

/** What waits for the professional, client by client. */
@Service
@Transactional(readOnly = true)
class Waits {
  /**
   * Something that waits for the professional.
   *
   * @param about the run or check-in it is about; null where it is about the client
   */
  record WaitView(String kind, UUID clientId, String client, String text, @Nullable UUID about) {}

  private final Clients clients;
  private final Runs runs;
  private final Readiness readiness;
  private final Limits limits;
  private final CheckIns checkIns;
  private final Verdicts verdicts;
  private final Reviews reviews;
  private final Studios studios;

  Waits(
      Clients clients,
      Runs runs,
      Readiness readiness,
      Limits limits,
      CheckIns checkIns,
      Verdicts verdicts,
      Reviews reviews,
      Studios studios) {
    this.clients = clients;
    this.runs = runs;
    this.readiness = readiness;
    this.limits = limits;
    this.checkIns = checkIns;
    this.verdicts = verdicts;
    this.reviews = reviews;
    this.studios = studios;
  }

  /** "1 stop and refer, 3 verdicts to decide". */
  private static String toDecide(Verdicts.Waiting v) {
    int others = v.count() - v.stops();
    List<String> all = new ArrayList<>();
    if (v.stops() > 0) {
      all.add(Wording.counted(v.stops(), "stop and refer", "stops and refers"));
    }
    if (others > 0) {
      all.add(Wording.counted(others, "verdict", "verdicts"));
    }
    return String.join(", ", all) + " to decide";
  }

  /** What waits of one run of several people is said once, with how many it is about. */
  private static List<WaitView> once(List<WaitView> waits) {
    Map<String, List<WaitView>> shared = new LinkedHashMap<>();
    for (WaitView w : waits) {
      boolean ofAll = w.kind().equals("RUN") || w.kind().equals("AFTER");
      String key = ofAll ? w.kind() + w.about() : String.valueOf(shared.size());
      shared.computeIfAbsent(key, k -> new ArrayList<>()).add(w);
    }
    List<WaitView> all = new ArrayList<>();
    for (List<WaitView> of : shared.values()) {
      WaitView w = of.get(0);
      int others = of.size() - 1;
      String who =
          others == 0
              ? w.client()
              : w.client() + " and " + Wording.counted(others, "other", "others");
      all.add(new WaitView(w.kind(), w.clientId(), who, w.text(), w.about()));
    }
    return all;
  }

  /** Everything that waits on a day, stops first. */
  List<WaitView> on(LocalDate day) {
    List<WaitView> waits = new ArrayList<>();
    Map<UUID, List<Runs.Summary>> unclosed =
        runs.unclosed().stream().collect(Collectors.groupingBy(Runs.Summary::clientId));
    for (Verdicts.Waiting v : verdicts.waiting()) {
      waits.add(new WaitView("VERDICT", v.clientId(), name(v.clientId()), toDecide(v), null));
    }
    for (CheckIns.Waiting c : checkIns.waiting(studios.now())) {
      waits.add(
          new WaitView(
              "CHECK_IN",
              c.clientId(),
              name(c.clientId()),
              (c.kind() == CheckIns.Kind.SECOND ? "third day" : "morning")
                  + " after "
                  + Wording.day(c.session())
                  + " not answered"
                  + (c.linkOver() ? ", the link is over: ask by phone or at the door" : ""),
              c.id()));
    }
    for (Clients.Client c : clients.all()) {
      Readiness.ClientStanding s = readiness.of(c.id());
      if (s.outcome() == null) {
        waits.add(new WaitView("SCREENING", c.id(), c.name(), "not screened yet", null));
      } else if (s.outcome() == Outcome.CLEARANCE_ONLY || s.outcome() == Outcome.ASK_FIRST) {
        waits.add(
            new WaitView(
                "CLEARANCE",
                c.id(),
                c.name(),
                (s.outcome() == Outcome.ASK_FIRST ? "ask first: " : "clearance only: ")
                    + StartGate.worst(s.findings()).get(0),
                null));
      }
      if (s.undecided() > 0) {
        waits.add(
            new WaitView(
                "LIMITS",
                c.id(),
                c.name(),
                Wording.counted(s.undecided(), "proposed limit", "proposed limits") + " to decide",
                null));
      }
      for (Readiness.Ending e : readiness.ending(c.id())) {
        waits.add(
            new WaitView(
                "ENDING",
                c.id(),
                c.name(),
                "clearance of "
                    + e.from()
                    + (e.validUntil().equals(day)
                        ? " ends today"
                        : " ends on " + Wording.day(e.validUntil())),
                null));
      }
      List<Limit> all = limits.of(c.id());
      long due = all.stream().filter(l -> l.reviewDueOn(day)).count();
      if (due > 0) {
        waits.add(
            new WaitView(
                "REVIEW",
                c.id(),
                c.name(),
                due == 1
                    ? "1 firm limit past its date: review due, still on"
                    : due + " firm limits past their dates: review due, still on",
                null));
      }
      for (Runs.Summary r : unclosed.getOrDefault(c.id(), List.of())) {
        boolean today = r.date().equals(day);
        waits.add(
            r.status().ended()
                ? new WaitView(
                    "AFTER",
                    c.id(),
                    c.name(),
                    "words after the session of "
                        + Wording.day(r.date())
                        + (r.leftOpen() ? ", left open and ended by itself" : ""),
                    r.id())
                : new WaitView(
                    "RUN",
                    c.id(),
                    c.name(),
                    today
                        ? "session running"
                        : "session of " + Wording.day(r.date()) + " was never ended",
                    r.id()));
      }
    }
    for (Reviews.Due d :
        reviews.due(clients.all().stream().map(Clients.Client::id).toList(), day)) {
      waits.add(
          new WaitView(
              "SIX_WEEKS",
              d.clientId(),
              name(d.clientId()),
              d.open()
                  ? "review begun on " + Wording.day(d.since()) + ", not closed"
                  : "review due since " + Wording.day(d.since()),
              null));
    }
    return once(waits);
  }

  private String name(UUID clientId) {
    return clients.require(clientId).name();
  }
}
