package riposo.server.day.internal;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.wording.Wording;
import riposo.server.checkin.CheckIns;
import riposo.server.platform.Stamped;
import riposo.server.platform.Stamps;
import riposo.server.platform.Studios;
import riposo.server.review.Reviews;
import riposo.server.run.Runs;
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

  private final Runs runs;
  private final CheckIns checkIns;
  private final Verdicts verdicts;
  private final ClientFacts facts;
  private final Studios studios;
  private final Stamps stamps;

  /** Verdicts that wait, of everybody. */
  private final Stamped<String, Stamps.Sum, List<Verdicts.Waiting>> known = new Stamped<>(100);

  Waits(
      Runs runs,
      CheckIns checkIns,
      Verdicts verdicts,
      ClientFacts facts,
      Studios studios,
      Stamps stamps) {
    this.runs = runs;
    this.checkIns = checkIns;
    this.verdicts = verdicts;
    this.facts = facts;
    this.studios = studios;
    this.stamps = stamps;
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
    return on(day, facts.all(day, false));
  }

  /** The same where the facts of everybody are known. */
  List<WaitView> on(LocalDate day, ClientFacts.Everybody all) {
    return once(each(day, all));
  }

  /** The same, each thing told for everybody it is about. */
  List<WaitView> each(LocalDate day, ClientFacts.Everybody all) {
    Map<UUID, ClientFacts.Fact> of = all.of();
    List<WaitView> waits = new ArrayList<>();
    for (Verdicts.Waiting v : known.of("", stamps.sum(), verdicts::waiting)) {
      add(waits, of.get(v.clientId()), "VERDICT", toDecide(v), null);
    }
    for (CheckIns.Waiting c : checkIns.waiting(studios.now())) {
      add(
          waits,
          of.get(c.clientId()),
          "CHECK_IN",
          (c.kind() == CheckIns.Kind.SECOND ? "third day" : "morning")
              + " after "
              + Wording.day(c.session())
              + " not answered"
              + (c.linkOver() ? ", the link is over: ask by phone or at the door" : ""),
          c.id());
    }
    Map<UUID, List<Runs.Summary>> unclosed =
        runs.unclosed().stream().collect(Collectors.groupingBy(Runs.Summary::clientId));
    for (ClientFacts.Fact f : all.byName()) {
      waits.addAll(f.waits());
      for (Runs.Summary r : unclosed.getOrDefault(f.id(), List.of())) {
        boolean today = r.date().equals(day);
        if (r.status().ended()) {
          add(
              waits,
              f,
              "AFTER",
              "words after the session of "
                  + Wording.day(r.date())
                  + (r.leftOpen() ? ", left open and ended by itself" : ""),
              r.id());
        } else {
          add(
              waits,
              f,
              "RUN",
              today
                  ? "session running"
                  : "session of " + Wording.day(r.date()) + " was never ended",
              r.id());
        }
      }
    }
    for (ClientFacts.Fact f : all.byName()) {
      Reviews.Due d = f.review();
      if (d != null) {
        add(
            waits,
            f,
            "SIX_WEEKS",
            d.open()
                ? "review begun on " + Wording.day(d.since()) + ", not closed"
                : "review due since " + Wording.day(d.since()),
            null);
      }
    }
    return waits;
  }

  /** Of somebody who was put away nothing waits. */
  private static void add(
      List<WaitView> waits,
      ClientFacts.@Nullable Fact f,
      String kind,
      String text,
      @Nullable UUID about) {
    if (f != null && f.archivedOn() == null) {
      waits.add(new WaitView(kind, f.id(), f.name(), text, about));
    }
  }

  /** How many of each kind wait, in the order they are told. */
  static Map<String, Integer> counted(List<WaitView> waits) {
    Map<String, Integer> all = new LinkedHashMap<>();
    waits.forEach(w -> all.merge(w.kind(), 1, Integer::sum));
    return all;
  }

  /** The first of each kind: a sheet shows no more. */
  static List<WaitView> first(List<WaitView> waits, int ofKind) {
    Map<String, Integer> told = new HashMap<>();
    return waits.stream().filter(w -> told.merge(w.kind(), 1, Integer::sum) <= ofKind).toList();
  }
}
