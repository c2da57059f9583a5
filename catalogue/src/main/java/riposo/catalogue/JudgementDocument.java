package riposo.catalogue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Sided;
import riposo.core.limit.Side;
import riposo.core.movement.Modifier;
import riposo.core.tolerance.Change;
import riposo.core.tolerance.Grounds;
import riposo.core.tolerance.Judgement;
import riposo.core.tolerance.NoStep;
import riposo.core.tolerance.Rule;
import riposo.core.tolerance.Tolerance;
import riposo.core.tolerance.Verdict;
import tools.jackson.databind.JsonNode;

/** A verdict with its numbers and change as it is stored; the names in it are kept for ever. */
public final class JudgementDocument {
  private record Stored(
      Verdict verdict,
      Rule rule,
      Map<String, Integer> facts,
      List<UUID> runs,
      ChangeDocument change,
      List<NoStep> noStep,
      @Nullable List<ChangeDocument> ways) {}

  private record ChangeDocument(
      Change.Kind kind,
      String movementId,
      @Nullable Integer grams,
      @Nullable Integer reps,
      @Nullable String tempo,
      @Nullable Integer fromGrams,
      @Nullable Integer equalReps,
      @Nullable Side side,
      @Nullable Sided sides,
      @Nullable Modifier support,
      @Nullable Integer sets,
      @Nullable Integer pull,
      @Nullable Integer fromReps) {}

  private JudgementDocument() {}

  public static String write(Judgement j) {
    return RunDocument.JSON.writeValueAsString(
        new Stored(
            j.verdict(),
            j.rule(),
            facts(j.grounds()),
            j.runs(),
            change(j.change()),
            j.noStep(),
            j.ways().isEmpty() ? null : j.ways().stream().map(JudgementDocument::change).toList()));
  }

  public static Judgement read(String stored) {
    JsonNode n = RunDocument.JSON.readTree(stored);
    Rule rule = Rule.valueOf(n.path("rule").asString());
    List<UUID> runs = new ArrayList<>();
    n.path("runs").forEach(r -> runs.add(UUID.fromString(r.asString())));
    List<NoStep> noStep = new ArrayList<>();
    n.path("noStep").forEach(s -> noStep.add(NoStep.valueOf(s.asString())));
    List<Change> ways = new ArrayList<>();
    n.path("ways").forEach(w -> ways.add(change(w)));
    return new Judgement(
        Verdict.valueOf(n.path("verdict").asString()),
        rule,
        grounds(rule, n.path("facts")),
        runs,
        change(n.path("change")),
        noStep,
        ways);
  }

  private static Map<String, Integer> facts(Grounds g) {
    Map<String, Integer> f = new LinkedHashMap<>();
    if (g instanceof Grounds.Pain x) {
      f.put("pain", x.pain());
    } else if (g instanceof Grounds.NewSigns x) {
      f.put("signs", x.signs());
    } else if (g instanceof Grounds.Eases x) {
      f.put("eases", x.eases());
    } else if (g instanceof Grounds.OverUsual x) {
      f.put("pain", x.pain());
      f.put("usual", x.usual());
    } else if (g instanceof Grounds.Monitored x) {
      f.put("pain", x.pain());
      put(f, "rise", x.rise());
    } else if (g instanceof Grounds.Morning x) {
      f.put("rise", x.rise());
    } else if (g instanceof Grounds.OverCap x) {
      f.put("effort", x.effort());
      f.put("cap", x.cap());
    } else if (g instanceof Grounds.OverGoal x) {
      f.put("effort", x.effort());
      f.put("goal", x.goal());
    } else if (g instanceof Grounds.TwoForTwo x) {
      // 0 stands for a hold, as it always has
      f.put("reps", x.reps() == null ? 0 : x.reps());
      f.put("target", x.target() == null ? 0 : x.target());
      f.put("effort", x.effort());
      f.put("goal", x.goal());
    } else if (g instanceof Grounds.Otherwise x) {
      put(f, "reps", x.reps());
      put(f, "wanted", x.wanted());
      put(f, "effort", x.effort());
      put(f, "unanswered", x.answered() ? null : 1);
      put(f, "noProgression", x.flagged() ? 1 : null);
      put(f, "steadyDays", x.steadyDays());
    }
    return f;
  }

  private static void put(Map<String, Integer> f, String name, @Nullable Integer value) {
    if (value != null) {
      f.put(name, value);
    }
  }

  private static Grounds grounds(Rule rule, JsonNode f) {
    return switch (rule) {
      case STOP_SIGN, EASE_FATIGUE -> new Grounds.Plain();
      case STOP_PAIN -> new Grounds.Pain(f.path("pain").asInt());
      case STOP_NEW_SIGN -> new Grounds.NewSigns(f.path("signs").asInt());
      case STOP_TWO_EASES -> new Grounds.Eases(f.path("eases").asInt());
      case EASE_PAIN_FREE -> new Grounds.OverUsual(f.path("pain").asInt(), f.path("usual").asInt());
      case EASE_MONITORED -> new Grounds.Monitored(f.path("pain").asInt(), number(f, "rise"));
      case EASE_MORNING, EASE_MORNING_TWICE -> new Grounds.Morning(f.path("rise").asInt());
      case EASE_OVER_CAP -> new Grounds.OverCap(f.path("effort").asInt(), f.path("cap").asInt());
      case EASE_EFFORT -> new Grounds.OverGoal(f.path("effort").asInt(), f.path("goal").asInt());
      case STEP_UP -> {
        int target = f.path("target").asInt();
        yield new Grounds.TwoForTwo(
            target == 0 ? null : number(f, "reps"),
            target == 0 ? null : (Integer) target,
            f.path("effort").asInt(),
            f.path("goal").asInt());
      }
      case STAY ->
          new Grounds.Otherwise(
              number(f, "reps"),
              number(f, "wanted"),
              number(f, "effort"),
              !f.hasNonNull("unanswered"),
              f.hasNonNull("noProgression"),
              number(f, "steadyDays"));
    };
  }

  private static @Nullable Integer number(JsonNode f, String name) {
    return f.hasNonNull(name) ? (Integer) f.get(name).asInt() : null;
  }

  private static ChangeDocument change(Change c) {
    Integer from = null;
    Integer equal = null;
    if (c instanceof Change.LoadUp x) {
      from = x.from();
      equal = x.equalReps();
    } else if (c instanceof Change.TwoInOne x) {
      from = x.from();
    } else if (c instanceof Change.LoadDown x) {
      from = x.from();
    } else if (c instanceof Change.RungUp x) {
      from = x.from();
    }
    Change.Step big = c.tooBig();
    if (big != null) {
      from = big.grams();
      equal = big.equalReps();
    }
    return new ChangeDocument(
        c.kind(),
        c.movementId(),
        c.grams(),
        c.reps(),
        c.tempo(),
        from,
        equal,
        c instanceof Change.LoadUp x && x.side() != Side.BOTH ? x.side() : null,
        c.sides(),
        c instanceof Change.LessSupport x ? x.support() : null,
        c instanceof Change.MoreSets x ? (Integer) x.sets() : null,
        c instanceof Change.BandBeside x ? (Integer) x.pull() : null,
        c instanceof Change.MoreReps x ? (Integer) x.from() : null);
  }

  private static Change change(JsonNode stored) {
    ChangeDocument d = RunDocument.JSON.treeToValue(stored, ChangeDocument.class);
    String m = d.movementId;
    return switch (d.kind) {
      case NONE -> new Change.None(m, d.grams);
      case LOAD_UP ->
          new Change.LoadUp(
              m,
              known(d.grams),
              known(d.fromGrams),
              d.equalReps,
              d.side == null ? Side.BOTH : d.side,
              d.sides);
      case TWO_IN_ONE -> new Change.TwoInOne(m, known(d.grams), known(d.fromGrams));
      case RUNG_UP -> new Change.RungUp(m, d.fromGrams);
      case SLOWER ->
          new Change.Slower(m, d.grams, step(d), d.tempo == null ? Tolerance.SLOW_TEMPO : d.tempo);
      case HOLD ->
          new Change.Hold(m, d.grams, step(d), d.tempo == null ? Tolerance.SLOW_TEMPO : d.tempo);
      case LESS_SUPPORT ->
          new Change.LessSupport(m, d.grams, d.support == null ? Modifier.HOLD_SUPPORT : d.support);
      case MORE_SETS -> new Change.MoreSets(m, d.grams, step(d), known(d.sets));
      case BAND_BESIDE -> new Change.BandBeside(m, known(d.grams), step(d), known(d.pull));
      case MORE_REPS -> new Change.MoreReps(m, d.grams, known(d.reps), known(d.fromReps));
      case LOAD_DOWN -> new Change.LoadDown(m, known(d.grams), d.fromGrams, d.sides);
      case RUNG_DOWN -> new Change.RungDown(m);
      case FEWER_REPS -> new Change.FewerReps(m, d.grams, d.reps);
      case HALVE_SESSION -> new Change.HalveSession(m, d.grams, d.reps);
      case STOP -> new Change.Stop(m, d.grams);
    };
  }

  private static Change.@Nullable Step step(ChangeDocument d) {
    return d.fromGrams == null || d.equalReps == null
        ? null
        : new Change.Step(d.fromGrams, d.equalReps);
  }

  /** What is always told; a weight that was not is no weight. */
  private static int known(@Nullable Integer told) {
    return told == null ? 0 : told;
  }
}
