package riposo.core.wording;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Condition;
import riposo.core.limit.FloorWay;
import riposo.core.limit.Proposal;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.limit.WaySeen;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Modifier;
import riposo.core.movement.Purpose;
import riposo.core.movement.Soundness;
import riposo.core.plan.Format;
import riposo.core.plan.PlanCheck;
import riposo.core.run.StopSign;
import riposo.core.screening.Assessment.SugarRules;
import riposo.core.screening.Finding;
import riposo.core.screening.Happened;
import riposo.core.screening.OpenFinding;
import riposo.core.screening.Outcome;
import riposo.core.screening.Pressure;
import riposo.core.screening.Question;
import riposo.core.screening.Screening;
import riposo.core.screening.TodayFacts;
import riposo.core.today.CareLine;
import riposo.core.today.Glucose;
import riposo.core.today.TodayCheck;
import riposo.core.today.TodayDay;
import riposo.core.tolerance.NoStep;
import riposo.core.tolerance.Rule;
import riposo.core.tolerance.School;
import riposo.core.tolerance.Steps;

/**
 * The rules by area, in a fixed order. Nothing is written down twice: conditions, modifiers,
 * verdicts and remarks are read where they are defined; what a screening answer means is found by
 * answering one question at a time and noting which rule speaks.
 */
public final class RuleBook {
  private static final String ALWAYS = "always on";

  private RuleBook() {}

  /**
   * Every rule. Ids are unique; throws {@link IllegalStateException} naming one used twice.
   *
   * @param today the day answers are dated around
   */
  public static List<RuleEntry> read(Catalogue catalogue, LocalDate today) {
    Map<String, RuleEntry> all = new LinkedHashMap<>();
    screening(today).forEach(r -> put(all, r));
    limits(today).forEach(r -> put(all, r));
    for (CareLine.Kind k : CareLine.Kind.values()) {
      put(
          all,
          new RuleEntry(
              "today.line." + id(k.name()),
              "today",
              k.words
                  + " at or "
                  + (k.high ? "over " : "under ")
                  + k.usual()
                      .map(v -> v + " " + k.unit + ": not today")
                      .orElse("the client’s own line: not today"),
              "house rule: today's readings",
              null,
              "a line of the client’s care plan, on Record; looser only with a clinician’s name"));
    }
    for (Purpose p : Purpose.values()) {
      put(
          all,
          new RuleEntry(
              "choose.neighbour." + p.id(),
              "choosing",
              "Where nothing of “" + p.words + "” is open: " + neighbours(p) + ".",
              "house rule: choosing",
              null,
              ALWAYS));
    }
    order().forEach(r -> put(all, r));
    for (Modifier m : Modifier.values()) {
      long takers = catalogue.movements().stream().filter(x -> x.modifiers().contains(m)).count();
      put(
          all,
          new RuleEntry(
              "modifier." + id(m.name()),
              "modifiers",
              m.words + ": " + m.effect + "; " + takers + " movements take it",
              "house rule: choosing",
              null,
              "by hand on the adapt desk, per slot"));
    }
    Soundness.implied()
        .forEach(
            (position, list) ->
                list.forEach(
                    i ->
                        put(
                            all,
                            new RuleEntry(
                                "posture." + position.id() + "." + i.axisId(),
                                "postures",
                                position.id().replace('-', ' ')
                                    + " implies "
                                    + Wording.least(i.axisId(), i.least()),
                                "house rule: what a posture implies",
                                null,
                                "a warning on one’s own movements"))));
    for (String rule : PlanCheck.RULES) {
      put(
          all,
          new RuleEntry(
              rule,
              "plans",
              Wording.check(
                  rule.equals(PlanCheck.ONE_WEIGHT)
                      ? new PlanCheck(rule, 2000, 1000, List.of("s1"))
                      : new PlanCheck(rule, 3, 2, List.of("s1", "s2"))),
              "house rule: remarks on plans",
              null,
              "a remark: never refuses"));
    }
    doses().forEach(r -> put(all, r));
    for (Rule r : Rule.values()) {
      put(
          all,
          new RuleEntry(
              r.id,
              "verdicts",
              r.words,
              r.source,
              switch (r) {
                case EASE_PAIN_FREE -> "pain-free";
                case EASE_MONITORED -> "monitored";
                default -> null;
              },
              r == Rule.EASE_PAIN_FREE || r == Rule.EASE_MONITORED
                  ? "the client’s school of pain, on Tolerance"
                  : ALWAYS));
    }
    for (NoStep n : NoStep.values()) {
      put(
          all,
          new RuleEntry(
              "tolerance.never." + id(n.name()),
              "verdicts",
              "never a step up when " + n.words,
              "house rule",
              null,
              ALWAYS));
    }
    today().forEach(r -> all.putIfAbsent(r.id(), r));
    for (StopSign sign : StopSign.values()) {
      put(
          all,
          new RuleEntry(
              "stop." + id(sign.name()),
              "stop panel",
              sign.words + ": " + sign.aid.words + " " + after(sign.after),
              sign.aid.source,
              null,
              "the stop panel of a run; local protocol first"));
    }
    left(today).forEach(f -> put(all, left(f)));
    return List.copyOf(all.values());
  }

  /** How much is done: work and rest, holds, weights, heights. */
  private static List<RuleEntry> doses() {
    String house = "house rule: doses";
    return List.of(
        dose(
            "work-and-rest.clock",
            "Under a limit on work for rest a client works the first part of each work and rest"
                + " where the clock is shared: "
                + Format.workWithin(20, 10, 100)
                + " of each 30 s at 20/10 with rest at least as long as work.",
            house),
        dose(
            "work-and-rest.count",
            "Where the count is the dose it stays, and the rest grows to the length of the work."
                + " Warm-up and cool-down are not counted.",
            house),
        dose(
            "hold",
            "A hold lasts as asked unless a limit, a cap or today's check shortens it. A mild"
                + " stretch is no still effort.",
            house),
        dose(
            "weight.first",
            "Which weight to begin with: what was set by hand since the last verdict, the verdict,"
                + " the last weight of that movement and support, a relative's by its share with a"
                + " fifth off, the lightest in the kit.",
            house),
        dose(
            "weight.gap",
            "A last weight counts in full up to 9 days, 20 % less from 10, 40 % less from 21, and"
                + " not at all from 42.",
            house),
        dose(
            "gap",
            "Days since a family was last done, each family by itself: up to 9 nothing is cut, from"
                + " 10 a fifth off, from 21 two fifths and a rung down, from 42 the start dose and a"
                + " new screening. It ends after 2 sessions of it. Without a weight the repetitions"
                + " are cut. Mobility and breathing keep their dose.",
            house),
        dose(
            "step",
            "A step is 5 % more for the upper body, the frail and with a condition, 10 % for the"
                + " lower body, rounded down to kit. Where the next weight is more, it counts as"
                + " many repetitions at the present one as make the same estimate (Epley); else two"
                + " in one hand, or the same weight lowered slowly, held, with less support, in one"
                + " set more, with a band as well, or the next rung.",
            "ACSM 2009; Epley 1985"),
        dose(
            "step.set",
            "A set more is one beyond those of the plan, "
                + Steps.MOST_SETS
                + " in all at most, for a client who trains alone by sets and repetitions. It is"
                + " left out on a cut day, after a gap, and where the session would be longer than"
                + " it may be.",
            house),
        dose(
            "step.band",
            "A band beside a weight pulls at the end at most twice what a step adds, for over the"
                + " whole way it pulls half of that; weight and band together stay under every cap"
                + " of the hand, a band known by one point with half as much again. Left out on a"
                + " cut day, after a gap, and with another weight.",
            house),
        dose(
            "step.repetitions",
            "Repetitions that were taken off come back by two, twice running each time, before"
                + " anything else is added.",
            house),
        dose(
            "weight.share",
            "Shares of what a row takes: two-arm press and curl 60 %, side and front raise and"
                + " kick-back 40 %, overhead straighten 50 %, hinge and goblet squat 150 %.",
            house),
        dose(
            "weight.by-hand",
            "A weight by hand is in the kit and inside the caps; more than one step of the kit over"
                + " history wants a reason.",
            house),
        dose(
            "weight.finding",
            "While a weight is found, at most two sets: effort 3 or less offers one step of the kit"
                + " up, effort 2 or more over the goal one down. Such sets are no step towards more.",
            house),
        dose(
            "band",
            "The grip whose pull at the end is nearest under the one wanted and under the hand's"
                + " cap; an estimate from one point counts half as much again. Where both feet pull"
                + " too hard, one foot. Without a stature the reach is that of 190 cm.",
            house),
        dose(
            "rest.stretch",
            "A rest is filled with a mild stretch of what was just worked, in the same posture,"
                + " inside the limits, 10 s a side or more; else it is a still rest.",
            house),
        dose(
            "upper",
            "An option above a slot is shown to whoever may do what is asked as it stands and the"
                + " option too; never on an eased day, never by itself.",
            house),
        dose(
            "height",
            "Hands at 0, 30 and 61 cm take 64, 55 and 41 % of body weight, linear between, and on to"
                + " 15 % at the wall; beyond 61 cm an estimate.",
            "Ebben 2011"));
  }

  private static RuleEntry dose(String id, String words, String source) {
    return new RuleEntry("dose." + id, "doses", words, source, null, ALWAYS);
  }

  private static String after(StopSign.After after) {
    return switch (after) {
      case EMERGENCY -> "After it only a clearance opens strength work.";
      case ASK_FIRST -> "Not today, and a clinician is asked first.";
      case GLUCOSE -> "A new reading over 5.0 mmol/L, 15 minutes after it.";
    };
  }

  /** What a stop, an urgent check and what happened between leave behind. */
  private static List<Finding> left(LocalDate day) {
    List<Finding> all = new ArrayList<>();
    for (StopSign.After a : StopSign.After.values()) {
      OpenFinding.stopped(a, "the sign", day, "a day").ifPresent(f -> all.add(f.finding()));
    }
    for (Outcome o : new Outcome[] {Outcome.CLEARANCE_ONLY, Outcome.ASK_FIRST}) {
      all.add(OpenFinding.check(o, "what was found.", day, "a day").finding());
    }
    OpenFinding.gap(day.minusDays(42), day.minusDays(42), day, "the last one")
        .ifPresent(f -> all.add(f.finding()));
    for (Happened h : Happened.values()) {
      all.add(h.finding(day, "a day"));
    }
    return all;
  }

  private static RuleEntry left(Finding f) {
    return new RuleEntry(
        f.rule(),
        "screening",
        f.text(),
        f.source(),
        null,
        "a clearance or a new screening ends it");
  }

  /** Today's lines and symptoms, found by trying readings and signs on clients of every kind. */
  private static List<RuleEntry> today() {
    Map<String, RuleEntry> found = new LinkedHashMap<>();
    SugarRules sugar = new SugarRules(true, true, true);
    TodayFacts none = TodayFacts.NONE;
    TodayFacts all = new TodayFacts(true, true, true, true, true);
    for (TodayFacts facts : List.of(none, all)) {
      for (int kind = 0; kind < 3; kind++) {
        TodayCheck.Needs n =
            new TodayCheck.Needs(
                Set.of(),
                kind == 1,
                kind == 2,
                kind == 2 ? 100 : null,
                sugar,
                true,
                School.PAIN_FREE,
                0,
                List.of(),
                facts,
                95,
                false);
        for (TodayCheck.Given g : givens()) {
          for (Finding f : TodayCheck.assess(n, g).findings()) {
            found.putIfAbsent(
                f.rule(),
                new RuleEntry(
                    f.rule(), "today", "as in: " + f.text(), f.source(), null, "today’s check"));
          }
        }
      }
    }
    found.put(
        "today.repeats",
        new RuleEntry(
            "today.repeats",
            "today",
            "pressure, pulse and saturation: at most "
                + TodayDay.REPEATS
                + " repeats, "
                + TodayDay.SEATED.toMinutes()
                + " minutes seated each; glucose by its own line; what is urgent, a symptom that ruled the day out, “call maternity today” and a new irregular pulse stay",
            "house rule",
            null,
            ALWAYS));
    found.put(
        "today.dose.lines",
        new RuleEntry(
            "today.dose.lines",
            "today",
            "one of sleep 3 or less, energy 3 or less, pain over the school’s line: eased; two: short; energy 1 or less, or pain 7 or more and over the usual: not today",
            "house rule",
            null,
            "another dose can be picked with a reason"));
    return List.copyOf(found.values());
  }

  private static List<TodayCheck.Given> givens() {
    List<TodayCheck.Given> all = new ArrayList<>();
    for (String p : "185/90 165/95 145/85 130/70 95/60 85/60 75/50".split(" ")) {
      String[] two = p.split("/");
      Pressure pressure = new Pressure(Integer.parseInt(two[0]), Integer.parseInt(two[1]));
      for (TodayCheck.Sign s : TodayCheck.Sign.values()) {
        all.add(given(pressure, null, null, null, null, Set.of(s)));
      }
    }
    for (int pulse : new int[] {125, 105, 45, 35}) {
      all.add(given(null, pulse, null, null, null, Set.of()));
      all.add(given(null, pulse, null, null, null, Set.of(TodayCheck.Sign.UNWELL)));
    }
    for (int saturation : new int[] {90, 86}) {
      all.add(given(null, null, saturation, null, null, Set.of()));
    }
    for (String glucose : "3.5 4.5 15 18".split(" ")) {
      for (String ketones : new String[] {null, "0.8", "2.0"}) {
        for (Set<TodayCheck.Sign> signs :
            List.<Set<TodayCheck.Sign>>of(Set.of(), Set.of(TodayCheck.Sign.UNWELL))) {
          all.add(given(null, null, null, glucose, ketones, signs));
        }
      }
    }
    return all;
  }

  private static TodayCheck.Given given(
      @Nullable Pressure pressure,
      @Nullable Integer pulse,
      @Nullable Integer saturation,
      @Nullable String glucose,
      @Nullable String ketones,
      Set<TodayCheck.Sign> signs) {
    return new TodayCheck.Given(
        pressure,
        pulse,
        pulse != null && pulse == 105,
        saturation,
        glucose == null ? null : Glucose.mmol(glucose),
        ketones == null ? null : new BigDecimal(ketones),
        "3.5".equals(glucose),
        pulse != null && pulse == 125 ? new BigDecimal("38.4") : null,
        7,
        pulse != null && pulse == 35 ? 1 : 7,
        0,
        false,
        false,
        signs);
  }

  private static void put(Map<String, RuleEntry> all, RuleEntry r) {
    if (all.put(r.id(), r) != null) {
      throw new IllegalStateException("rule id used twice: " + r.id());
    }
  }

  private static String id(String name) {
    return name.toLowerCase(Locale.ROOT).replace('_', '-');
  }

  private static String neighbours(Purpose p) {
    return String.join(", ", p.neighbours().stream().sorted().map(n -> n.words).toList());
  }

  private static List<RuleEntry> order() {
    String[][] terms = {
      {
        "purpose",
        "the purpose asked for, else a neighbouring one, else the same muscles, else rest"
      },
      {"muscles", "a primary muscle missed counts 2, one only helped 1"},
      {
        "kind",
        "the movement asked for, eased, with 60 % of its range or more; then with less of it or a part swapped; then another of its family; then another family"
      },
      {"range", "percentage points of range given up"},
      {"position", "1 for another posture than asked"},
      {
        "distance",
        "rungs in the family, no more than the difference in difficulty; difficulty + 1 across families"
      },
      {"modifiers", "how many, three at most"}
    };
    List<RuleEntry> all = new ArrayList<>();
    for (int i = 0; i < terms.length; i++) {
      all.add(
          new RuleEntry(
              "choose.cost." + (i + 1) + "." + terms[i][0],
              "choosing",
              (i + 1) + ". " + terms[i][0] + ": " + terms[i][1] + "; the lowest wins, ties by id",
              "house rule: choosing",
              null,
              ALWAYS));
    }
    for (FloorWay way : FloorWay.values()) {
      all.add(
          new RuleEntry(
              "floor." + id(way.name()),
              "choosing",
              "To the floor and up " + way.words + " asks " + Wording.asks(way),
              "house rule: getting to the floor",
              null,
              ALWAYS));
    }
    all.add(
        new RuleEntry(
            "floor.seen",
            "choosing",
            "A way seen to go well is not closed by advised limits for "
                + WaySeen.MONTHS
                + " months, in pregnancy "
                + WaySeen.WEEKS_IN_PREGNANCY
                + " weeks, until a fall, an operation or a flare; firm limits, surfaces and positions always close it",
            "house rule: getting to the floor",
            null,
            "recorded and taken back on Limits"));
    all.add(
        new RuleEntry(
            "choose.one-rests",
            "choosing",
            "One side may rest while the other does the purpose asked for: no worse than another purpose on both",
            "house rule: choosing",
            null,
            ALWAYS));
    all.add(
        new RuleEntry(
            "choose.session.variety",
            "choosing",
            "A slot that would repeat another takes its nearest option that nothing else has, of the same purpose and muscles and at most three rungs further down, or is marked as repeated",
            "house rule: choosing",
            null,
            ALWAYS));
    all.add(
        new RuleEntry(
            "choose.session.together",
            "choosing",
            "Floor work side by side in the plan that adapting has split is put together again: least purpose changed, then trips, repeats, cost",
            "house rule: choosing",
            null,
            ALWAYS));
    all.add(
        new RuleEntry(
            "dose.grip",
            "choosing",
            "A cap on grip caps the weight in that hand: closed none, light 1 kg, firm 5 kg",
            "house rule: weights",
            null,
            ALWAYS));
    all.add(
        new RuleEntry(
            "choose.reach",
            "choosing",
            "What stands in is never harder than asked: effort at most one above it and over 6 only where that was asked, trunk pressure not above what was asked or 1, no weight from the floor and no trip to the floor where none was asked; whatever the price in purpose",
            "house rule: choosing",
            null,
            ALWAYS));
    return all;
  }

  private static List<RuleEntry> limits(LocalDate today) {
    List<RuleEntry> all = new ArrayList<>();
    for (Condition c : Condition.values()) {
      for (Proposal p : c.proposals(Side.BOTH, today)) {
        all.add(
            new RuleEntry(
                "limit." + id(c.name()) + "." + p.axisId(),
                "limits",
                c.words
                    + ": "
                    + Wording.limit(p.axisId(), p.side(), p.cap())
                    + ", "
                    + p.why()
                    + (p.strength() == Strength.FIRM ? " (firm)" : ""),
                c.source,
                null,
                p.strength() == Strength.FIRM
                    ? "proposed at Screening; lifted by a clearance only"
                    : "proposed at Screening; accepted, changed or declined there, lifted on Limits"));
      }
    }
    LocalDate begin = today.minusWeeks(10);
    for (Proposal p :
        Condition.pregnancy(begin::plusWeeks, begin.plusWeeks(40), false, false, today)) {
      all.add(
          new RuleEntry(
              "limit.pregnancy." + p.axisId(),
              "limits",
              "pregnancy: " + Wording.limit(p.axisId(), p.side(), p.cap()) + ", " + p.why(),
              p.source(),
              p.axisId().equals("position.supine") ? "calendar" : null,
              "proposed at Screening; accepted, changed or declined there, lifted on Limits"));
    }
    return all;
  }

  /** Answers one question at a time, with what it hangs on answered, and notes who speaks. */
  private static List<RuleEntry> screening(LocalDate today) {
    Map<String, Question> byId = new HashMap<>();
    Screening.questions().forEach(q -> byId.put(q.id(), q));
    Map<String, RuleEntry> found = new LinkedHashMap<>();
    for (Question q : Screening.questions()) {
      for (int weeksAgo : new int[] {2, 20, 200, -20}) {
        String date = today.minusWeeks(weeksAgo).toString();
        for (String answer : answers(q, date)) {
          Map<String, String> given = new HashMap<>();
          hangsOn(q, byId, given, date);
          given.put(q.id(), answer);
          note(given, today, q, found);
          // the same with every date it leads to
          for (Question other : Screening.questions()) {
            if (other.kind() == Question.Kind.DATE) {
              given.putIfAbsent(other.id(), date);
            }
          }
          note(given, today, q, found);
        }
      }
    }
    return List.copyOf(found.values());
  }

  private static void note(
      Map<String, String> given, LocalDate today, Question q, Map<String, RuleEntry> found) {
    for (Finding f : Screening.assess(given, today).findings()) {
      found.putIfAbsent(
          f.rule(),
          new RuleEntry(
              f.rule(),
              f.outcome().today ? "today" : "screening",
              f.text(),
              f.source(),
              null,
              "the answer at Screening (“" + q.text() + "”)"));
    }
  }

  private static List<String> answers(Question q, String date) {
    return switch (q.kind()) {
      case YES_NO -> List.of("yes", "no", "unsure");
      case SIDE -> List.of("left", "right", "both");
      case CHOICE -> q.options().stream().map(Question.Option::value).toList();
      case DATE -> List.of(date);
      case NUMBER ->
          q.least() == null || q.greatest() == null
              ? List.of("1", "100")
              : List.of(
                  String.valueOf(q.least()),
                  String.valueOf((q.least() + q.greatest()) / 2),
                  String.valueOf(q.greatest()));
    };
  }

  private static void hangsOn(
      @Nullable Question q, Map<String, Question> byId, Map<String, String> given, String date) {
    if (q == null || q.showIf() == null) {
      return;
    }
    String first = q.showIf().split("\\|")[0].trim();
    String[] parts = first.split("=");
    String id = parts[0];
    Question on = byId.get(id);
    hangsOn(on, byId, given, date);
    if (on != null) {
      given.put(id, parts.length > 1 ? parts[1] : on.kind() == Question.Kind.DATE ? date : "yes");
    }
  }
}
