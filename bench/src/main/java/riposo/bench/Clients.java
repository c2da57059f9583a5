package riposo.bench;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.catalogue.CatalogueReader;
import riposo.core.adapt.AdaptedPlan;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.ClientDay;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.Performed;
import riposo.core.adapt.PlanAdapter;
import riposo.core.adapt.Standing;
import riposo.core.dose.LastWeight;
import riposo.core.dose.Weight;
import riposo.core.dose.Weights;
import riposo.core.kit.Band;
import riposo.core.limit.Axis;
import riposo.core.limit.Caps;
import riposo.core.limit.Limit;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
import riposo.core.movement.Catalogue;
import riposo.core.movement.Kit;
import riposo.core.movement.Movement;
import riposo.core.movement.Tempo;
import riposo.core.plan.Block;
import riposo.core.plan.Format;
import riposo.core.plan.FormatKind;
import riposo.core.plan.Mobility;
import riposo.core.plan.Param;
import riposo.core.plan.Segment;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.run.DoneRun;
import riposo.core.run.Entry;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.run.RunSheets;
import riposo.core.run.RunState;
import riposo.core.run.Stamp;
import riposo.core.today.TodayCheck;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.FamilySession;
import riposo.core.tolerance.History;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.Leaves;
import riposo.core.tolerance.NextDay;
import riposo.core.tolerance.School;
import riposo.core.tolerance.Steps;
import riposo.core.tolerance.Tolerance;
import riposo.core.tolerance.Verdict;

/**
 * Clients made up by chance who train for 26 weeks and follow every verdict: {@code ./riposo bench
 * clients}. How they get on is a crude model, seeded; what is asked of it is that the rules keep
 * their promises whatever the numbers are.
 */
public final class Clients {
  /** Who they are. */
  public enum Kind {
    STEADY,
    RESPONDER,
    FLARER,
    FATIGUED,
    OVER_REPORTER,
    NON_ANSWERER
  }

  /**
   * What 26 weeks came to.
   *
   * @param families trained, of all clients
   * @param moved families with three changes or more
   * @param ups step-ups
   * @param over parts done past a cap, a limit or the kit
   * @param flares that were simulated, {@code met} those eased or stopped within two sessions
   */
  public record Outcome(
      int clients,
      int sessions,
      int families,
      int moved,
      int ups,
      int eases,
      int stops,
      int over,
      int flares,
      int met) {
    static final Outcome NONE = new Outcome(0, 0, 0, 0, 0, 0, 0, 0, 0, 0);

    Outcome and(Outcome o) {
      return new Outcome(
          clients + o.clients,
          sessions + o.sessions,
          families + o.families,
          moved + o.moved,
          ups + o.ups,
          eases + o.eases,
          stops + o.stops,
          over + o.over,
          flares + o.flares,
          met + o.met);
    }
  }

  private static final int WEEKS = 26;
  private static final int ENOUGH = 3;
  private static final LocalDate FIRST = LocalDate.of(2026, 1, 5);
  private static final Catalogue CATALOGUE = CatalogueReader.shipped();
  private static final Adapter ADAPTER = new Adapter(CATALOGUE);
  private static final PlanAdapter PLANS = new PlanAdapter(ADAPTER);
  private static final List<Weight> WEIGHTS =
      List.of(500, 1000, 1500, 2000, 2200, 2500, 3000, 3300, 4000, 5000, 6000).stream()
          .map(g -> new Weight(g, 2))
          .toList();
  private static final List<Band> BANDS =
      List.of(
          new Band(
              "long",
              240,
              List.of(new Band.Measured(50, 800), new Band.Measured(100, 1400)),
              false,
              2));

  /** Timed intervals, and sets and repetitions. */
  private static final List<SessionPlan> PLANNED =
      List.of(
          plan(Format.intervals(40, 20, 2)),
          plan(
              new Format(
                  FormatKind.SETS,
                  Map.of(Param.SETS, 2, Param.REPS, 10, Param.REST, 45, Param.BETWEEN, 45),
                  List.of(),
                  List.of())));

  private static SessionPlan plan(Format format) {
    return SessionPlan.of(
        List.of(new Slot("w", "march", 300)),
        List.of(
            new Slot("s1", "counter-squat", null),
            new Slot("s2", "seated-hinged-row", null),
            new Slot("s3", "wall-push-up", null),
            new Slot("s4", "side-raise", null),
            new Slot("s5", "heel-raise-held", null),
            new Slot("s6", "curl", null)),
        format,
        List.of(new Slot("c", "seated-breathing", 180)));
  }

  private Clients() {}

  /** Simulates so many clients of a kind. */
  public static Outcome of(Kind kind, int clients) {
    Outcome all = Outcome.NONE;
    for (int i = 0; i < clients; i++) {
      all = all.and(new One(kind, kind.ordinal() * 1000L + i).weeks());
    }
    return all;
  }

  public static void main(String[] args) {
    int clients = args.length > 0 ? Integer.parseInt(args[0]) : 50;
    System.out.printf(
        Locale.ROOT,
        "%-14s %8s %8s %8s %12s %8s %8s %8s %8s %12s%n",
        "kind",
        "clients",
        "sessions",
        "families",
        "3+ changes",
        "step ups",
        "eases",
        "stops",
        "over",
        "flares met");
    Map<Kind, Outcome> all = new EnumMap<>(Kind.class);
    for (Kind k : Kind.values()) {
      Outcome o = of(k, clients);
      all.put(k, o);
      System.out.printf(
          Locale.ROOT,
          "%-14s %8d %8d %8d %10d %% %8d %8d %8d %8d %6d of %d%n",
          k.name().toLowerCase(Locale.ROOT).replace('_', '-'),
          o.clients(),
          o.sessions(),
          o.families(),
          o.families() == 0 ? 0 : o.moved() * 100 / o.families(),
          o.ups(),
          o.eases(),
          o.stops(),
          o.over(),
          o.met(),
          o.flares());
    }
  }

  /** One of them. */
  private static final class One {
    private final Kind kind;
    private final Random random;
    private final UUID id;
    private final List<Limit> limits = new ArrayList<>();
    private final Tolerance tolerance;
    private final SessionPlan plan;
    private final Map<String, Standing> standings = new HashMap<>();
    private final Map<String, LocalDate> stopped = new HashMap<>();
    private final Map<String, LastWeight> last = new HashMap<>();
    private final Map<String, Double> ability = new HashMap<>();
    private final Map<String, Integer> changes = new HashMap<>();
    private final Map<UUID, Map<String, Verdict>> decided = new HashMap<>();
    private final Map<UUID, Map<String, Change.Kind>> taken = new HashMap<>();
    private final List<DoneRun> runs = new ArrayList<>();
    private final Map<UUID, NextDay> mornings = new HashMap<>();
    private final @Nullable String flaring;
    private final int flareAt;
    private int flareSeen;
    private boolean flareMet;
    private Outcome out = new Outcome(1, 0, 0, 0, 0, 0, 0, 0, 0, 0);

    One(Kind kind, long seed) {
      this.kind = kind;
      this.random = new Random(seed);
      this.id = new UUID(seed, seed);
      limit(Axis.LOAD_HAND, 1000 + random.nextInt(11) * 500);
      if (random.nextInt(3) == 0) {
        limit(Axis.LOAD_OVERHEAD, random.nextInt(3) * 1000);
      }
      if (random.nextInt(3) == 0) {
        limit(Axis.EFFORT, 6 + random.nextInt(3));
      }
      this.tolerance = new Tolerance(School.PAIN_FREE, 0, 6, kind == Kind.FATIGUED, false);
      this.plan = PLANNED.get((int) (seed % PLANNED.size()));
      if (random.nextInt(4) == 0) {
        limit(Axis.SESSION_MINUTES, 25 + random.nextInt(6));
      }
      this.flaring =
          kind == Kind.FLARER
              ? List.of("sit-stand", "pull", "push", "raise", "elbow-bend").get(random.nextInt(5))
              : null;
      this.flareAt = 8 + random.nextInt(30);
    }

    private void limit(Axis axis, int cap) {
      limits.add(
          new Limit(
              new UUID(axis.id.hashCode(), cap),
              axis.id,
              Side.BOTH,
              cap,
              Strength.FIRM,
              "letter",
              FIRST,
              null,
              null));
    }

    Outcome weeks() {
      LocalDate day = FIRST;
      for (int n = 0; day.isBefore(FIRST.plusWeeks(WEEKS)); n++) {
        session(day, n);
        day = day.plusDays(n % 2 == 0 ? 3 : 4);
      }
      int moved = (int) changes.values().stream().filter(c -> c >= ENOUGH).count();
      return new Outcome(
          1,
          runs.size(),
          changes.size(),
          moved,
          out.ups(),
          out.eases(),
          out.stops(),
          out.over(),
          flaring == null ? 0 : 1,
          flareMet ? 1 : 0);
    }

    private void count(int ups, int eases, int stops, int over) {
      out = out.and(new Outcome(0, 0, 0, 0, ups, eases, stops, over, 0, 0));
    }

    private void session(LocalDate day, int n) {
      reopen(day);
      ClientDay at =
          PLANS
              .day(
                  id,
                  Caps.on(day, limits),
                  new Kitbag(EnumSet.allOf(Kit.class), WEIGHTS, Set.of(), BANDS),
                  standings,
                  Mobility.USUAL)
              .with(new Weights(List.copyOf(last.values()), Map.of()));
      AdaptedPlan adapted = PLANS.adapt(plan, at, Map.of());
      RunSheet sheet =
          new RunSheets(CATALOGUE, ADAPTER)
              .one(new UUID(0, 1), "26 weeks", plan, adapted, at, 6, 0);
      RunSheet.Person who = sheet.people().get(0);
      check(who, at.caps());
      // a set more never makes a session longer than it may be
      boolean more =
          adapted.slots().stream()
              .flatMap(s -> s.doses().stream())
              .anyMatch(d -> d.sets() != null && d.rounds() > d.sets());
      int minutes = at.caps().cap(Axis.SESSION_MINUTES, Side.BOTH);
      count(0, 0, 0, more && adapted.timeline().total() > minutes * 60L ? 1 : 0);
      DoneRun run = run(sheet, who, day, n);
      runs.add(run);
      boolean flare = flares(n);
      if (kind != Kind.NON_ANSWERER) {
        mornings.put(run.id(), morning(flare));
      }
      decided.put(run.id(), new HashMap<>());
      Set<String> families = new HashSet<>();
      run.sets().forEach(s -> families.add(s.familyId()));
      for (String family : families) {
        decide(family, run, at, day, flare);
      }
      run.sets()
          .forEach(
              s -> {
                var held = s.asked().weight();
                Integer grams = s.grams();
                if (held != null && grams != null) {
                  last.put(
                      s.movementId(),
                      new LastWeight(
                          s.movementId(), s.form().support(), held.way(), grams, day, s.sides()));
                }
              });
    }

    /** A stop ends by a clinician's word after two weeks: a step below. */
    private void reopen(LocalDate day) {
      stopped.entrySet().removeIf(e -> open(e.getKey(), e.getValue(), day));
    }

    private boolean open(String family, LocalDate since, LocalDate day) {
      if (day.isBefore(since.plusDays(14))) {
        return false;
      }
      Standing s = standings.get(family);
      if (s != null) {
        standings.put(
            family,
            new Standing(
                family,
                s.askedId(),
                s.movementId(),
                s.grams() == null ? null : 0,
                null,
                null,
                Verdict.EASE.name(),
                false,
                day));
      }
      return true;
    }

    /** Nothing that is to be done passes a limit, a cap or the kit. */
    private void check(RunSheet.Person who, Caps caps) {
      for (RunSheet.Slot slot : who.slots()) {
        for (RunSheet.Part p : slot.parts()) {
          Integer grams = p.dose().grams();
          boolean over =
              grams != null
                  && grams > 0
                  && (p.capLeft() != null
                          && p.capRight() != null
                          && grams > Math.max(p.capLeft(), p.capRight())
                      || WEIGHTS.stream().noneMatch(w -> w.grams() == grams));
          String movement = p.form().movementId();
          boolean broken =
              movement != null
                  && !ADAPTER
                      .broken(
                          new Performed(
                              p.form().side(), movement, p.form().modifiers(), p.form().range()),
                          caps)
                      .isEmpty();
          count(0, 0, 0, over || broken ? 1 : 0);
        }
      }
    }

    private boolean flares(int n) {
      return flaring != null && n >= flareAt && n < flareAt + 3;
    }

    private NextDay morning(boolean flare) {
      int pain = kind == Kind.OVER_REPORTER ? random.nextInt(4) : flare ? 2 + random.nextInt(2) : 0;
      boolean tired = kind == Kind.FATIGUED && random.nextInt(6) == 0;
      return new NextDay(
          pain, pain > 0 ? NextDay.Compared.WORSE : NextDay.Compared.SAME, tired, Set.of());
    }

    private DoneRun run(RunSheet sheet, RunSheet.Person who, LocalDate day, int n) {
      List<RunEvent> events = new ArrayList<>();
      events.add(new RunEvent.Start(stamp(n, 0, 0)));
      for (Segment g : sheet.timeline().segments()) {
        if (g.block() != Block.WORK || g.kind() != Segment.Kind.WORK) {
          continue;
        }
        RunSheet.Part part =
            who.slot(g.slotKey()).orElseThrow().parts().stream()
                .filter(p -> p.form().side() == Side.BOTH || p.form().side() == g.side())
                .findFirst()
                .orElse(null);
        if (part == null || part.form().movementId() == null) {
          continue;
        }
        events.add(
            new RunEvent.Logged(
                stamp(n, events.size(), g.endExclusive() * 1000L), id, told(part, g, n)));
      }
      events.add(new RunEvent.Finish(stamp(n, events.size(), sheet.timeline().total() * 1000L)));
      RunState state = RunState.fold(sheet, events, Long.MAX_VALUE / 2);
      return new DoneRun(
          new UUID(id.getMostSignificantBits(), n),
          day,
          0,
          TodayCheck.Dose.AS_PLANNED,
          who.effortCap(),
          Set.of(),
          sheet.sets(state));
    }

    private Stamp stamp(int n, int seq, long ms) {
      return new Stamp(
          new UUID(id.getMostSignificantBits() * 1000 + n, seq),
          "tablet",
          n * 10_000_000L + ms,
          seq);
    }

    /** How a set goes: what it asks against what the client is able to by now. */
    private Entry told(RunSheet.Part part, Segment g, int n) {
      String family = String.valueOf(part.form().familyId());
      Movement m = CATALOGUE.movement(String.valueOf(part.form().movementId()));
      Standing s = standings.get(family);
      Tempo tempo = s == null || s.tempo() == null ? null : Tempo.of(s.tempo());
      double asks =
          m.rung() * 5
              + (part.dose().grams() == null ? 0 : part.dose().grams() / 250.0)
              + (tempo == null ? 0 : tempo.lower() > 2 ? 3 : 0)
              + (tempo == null || tempo.holdHigh() == 0 ? 0 : 2);
      double able = ability.computeIfAbsent(family, f -> asks + 1);
      double gain = kind == Kind.RESPONDER ? 0.5 : kind == Kind.FATIGUED ? 0.05 : 0.2;
      ability.put(family, able + gain + random.nextGaussian() * 0.1);
      int effort =
          clamp((int) Math.round(5 + (asks - able) / 2 + random.nextGaussian() * 0.4), 1, 10);
      Integer reps = part.dose().reps();
      int more = clamp((int) Math.round(1 + (able - asks) * 0.8), -3, 4);
      boolean hurts = flares(n) && family.equals(flaring);
      int pain = hurts ? 4 + random.nextInt(2) : kind == Kind.OVER_REPORTER ? random.nextInt(4) : 0;
      return Entry.of(g.slotKey(), g.round(), g.side())
          .effort(effort)
          .reps(reps == null ? null : (Integer) Math.max(1, reps + more))
          .pain(pain, pain > 0 ? "there" : null)
          .formLost(false);
    }

    private static int clamp(int v, int least, int most) {
      return Math.max(least, Math.min(most, v));
    }

    private void decide(String family, DoneRun run, ClientDay at, LocalDate day, boolean flare) {
      History history =
          History.of(
              runs,
              mornings,
              Map.of(),
              0,
              new History.Decided() {
                @Override
                public Verdict of(UUID r, String f) {
                  return decided.getOrDefault(r, Map.of()).get(f);
                }

                @Override
                public Change.Kind taken(UUID r, String f) {
                  return taken.getOrDefault(r, Map.of()).get(f);
                }
              });
      List<FamilySession> upTo = history.upTo(family, run.id());
      FamilySession now = upTo.get(upTo.size() - 1);
      Standing stands = standings.get(family);
      Steps steps =
          Steps.from(now, CATALOGUE, ADAPTER, at.limitsAndKit(), WEIGHTS, stands, false)
              .bands(now, ADAPTER, at.limitsAndKit(), stands, BANDS, at.build());
      Judgement j = tolerance.judge(upTo, steps);
      changes.merge(family, j.verdict() == Verdict.STEP_UP ? 1 : 0, Integer::sum);
      count(
          j.verdict() == Verdict.STEP_UP ? 1 : 0,
          j.verdict() == Verdict.EASE ? 1 : 0,
          j.verdict() == Verdict.STOP_AND_REFER ? 1 : 0,
          0);
      if (flare && family.equals(flaring)) {
        flareSeen++;
        flareMet |=
            flareSeen <= 2
                && (j.verdict() == Verdict.EASE || j.verdict() == Verdict.STOP_AND_REFER);
      }
      Change change = j.change();
      if (j.verdict() == Verdict.STAY && !j.ways().isEmpty() && random.nextBoolean()) {
        change = j.ways().get(0); // a change of weeks of the same is taken every other time
        changes.merge(family, 1, Integer::sum);
      }
      decided.computeIfAbsent(run.id(), k -> new HashMap<>()).put(family, j.verdict());
      taken.computeIfAbsent(run.id(), k -> new HashMap<>()).put(family, change.kind());
      standings.put(
          family, Leaves.of(standings.get(family), now, family, j.verdict(), change, day));
      if (j.verdict() == Verdict.STOP_AND_REFER) {
        stopped.put(family, day);
      }
    }
  }
}
