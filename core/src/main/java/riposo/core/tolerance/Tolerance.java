package riposo.core.tolerance;

import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.OptionalInt;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Gap;
import riposo.core.dose.Loads;
import riposo.core.dose.Sided;
import riposo.core.limit.Side;
import riposo.core.quantity.Effort;
import riposo.core.run.DoneSet;

/**
 * The verdict on one family: the first rule that holds.
 *
 * @param school the client's school of pain
 * @param usualPain the client's recorded usual pain, 0 to 10
 * @param goalEffort effort aimed for
 * @param noProgression true when STEP_UP is impossible for this client
 * @param askOpen true while a clinician's word is wanted: ASK_FIRST or CLEARANCE_ONLY is open
 */
public record Tolerance(
    School school, int usualPain, int goalEffort, boolean noProgression, boolean askOpen) {
  /** Days of the same work without trouble after which a change of it may be taken. */
  public static final int STEADY_DAYS = 21;

  private static final int STEADY_SESSIONS = 4;

  /** Repetitions over the target that count towards a step. */
  private static final int OVER = 2;

  /** Days after which a pause takes something off: two sessions further apart are no pair. */
  public static final int GAP_DAYS = Gap.FREE;

  /** A tempo that lowers slowly: what a step too big is replaced by. */
  public static final String SLOW_TEMPO = "4-0-2-0";

  public Tolerance {
    if (usualPain < 0 || usualPain > 10 || goalEffort < 1 || goalEffort > 10) {
      throw new IllegalArgumentException("usual pain 0 to 10 and goal effort 1 to 10 are wanted");
    }
  }

  /**
   * Judges the last of the sessions, which are in time order and at least one.
   *
   * @param steps the steps open from where the client stands
   */
  public Judgement judge(List<FamilySession> sessions, Steps steps) {
    FamilySession now = sessions.get(sessions.size() - 1);
    FamilySession before = sessions.size() > 1 ? sessions.get(sessions.size() - 2) : null;
    DoneSet at = now.last();
    List<UUID> one = List.of(now.runId());
    List<UUID> two = before == null ? one : List.of(before.runId(), now.runId());
    int pain = now.pain().orElse(-1);
    Change stop = new Change.Stop(at.movementId(), at.grams());
    if (now.stoppedBySign()) {
      return new Judgement(Verdict.STOP_AND_REFER, Rule.STOP_SIGN, new Grounds.Plain(), one, stop);
    }
    int worst =
        Math.max(pain, now.answered().stream().mapToInt(NextDay::worstPain).max().orElse(-1));
    if (worst > 7) {
      return new Judgement(
          Verdict.STOP_AND_REFER, Rule.STOP_PAIN, new Grounds.Pain(worst), one, stop);
    }
    if (!now.newSigns().isEmpty()) {
      return new Judgement(
          Verdict.STOP_AND_REFER,
          Rule.STOP_NEW_SIGN,
          new Grounds.NewSigns(now.newSigns().size()),
          one,
          stop);
    }
    Judgement ease = ease(now, before, steps, one, two);
    if (ease != null) {
      if (before != null && before.verdict() == Verdict.EASE && !relieved(before, now)) {
        return new Judgement(
            Verdict.STOP_AND_REFER, Rule.STOP_TWO_EASES, new Grounds.Eases(2), two, stop);
      }
      return ease;
    }
    List<NoStep> noStep = new ArrayList<>();
    Side side = before == null ? null : ready(before, now, steps);
    if (before != null && side == null && oneSide(before, now)) {
      noStep.add(NoStep.ONE_SIDE);
    } else if (side != null) {
      noStep.addAll(never(sessions, steps, side));
      List<Change> ways = noStep.isEmpty() ? ways(now, side, steps) : List.of();
      if (!ways.isEmpty()) {
        DoneSet last = now.lastSets().get(0);
        boolean hold = last.targetReps() == null;
        Grounds f =
            new Grounds.TwoForTwo(
                hold ? null : last.reps(), last.targetReps(), now.effort().orElse(0), goal(now));
        return new Judgement(
            Verdict.STEP_UP,
            Rule.STEP_UP,
            f,
            two,
            ways.get(0),
            List.of(),
            ways.subList(1, ways.size()));
      }
      if (noStep.isEmpty()) {
        noStep.add(NoStep.NO_WAY);
      }
    }
    DoneSet last = now.lastSets().get(0);
    Integer target = last.targetReps();
    boolean counted = last.reps() != null && target != null;
    Integer steady = noProgression || askOpen ? null : steady(sessions);
    // weeks of the same are only said where something of it can be changed
    List<Change> stimulus = steady == null ? List.of() : stimulus(now, steps);
    Grounds.Otherwise f =
        new Grounds.Otherwise(
            counted ? last.reps() : null,
            counted && target != null ? (Integer) (target + OVER) : null,
            now.effort().isPresent() ? (Integer) now.effort().getAsInt() : null,
            now.nextDay() != null,
            noProgression,
            stimulus.isEmpty() ? null : steady);
    return new Judgement(
        Verdict.STAY,
        Rule.STAY,
        f,
        one,
        new Change.None(at.movementId(), at.grams()),
        noStep,
        stimulus);
  }

  /**
   * The side that may take the step: both alike where both had the repetitions twice, else the one
   * with less weight where it had them; null where none did.
   */
  private @Nullable Side ready(FamilySession before, FamilySession now, Steps steps) {
    Sided weight = Level.of(now).weight();
    Side lighter = weight == null ? Side.BOTH : weight.lighter();
    if (over(before, Side.BOTH) && over(now, Side.BOTH)) {
      // what is uneven is evened out first, unless a cap is what keeps it so
      return lighter != Side.BOTH && steps.near(lighter).capped() ? lighter.other() : lighter;
    }
    return lighter != Side.BOTH
            && done(before, lighter)
            && done(now, lighter)
            && over(before, lighter)
            && over(now, lighter)
        ? lighter
        : null;
  }

  private static boolean done(FamilySession s, Side side) {
    return s.lastSets().stream().anyMatch(e -> e.side() == side);
  }

  /** One side had the repetitions twice and the other had not. */
  private boolean oneSide(FamilySession before, FamilySession now) {
    return Stream.of(Side.LEFT, Side.RIGHT)
        .anyMatch(s -> done(before, s) && done(now, s) && over(before, s) && over(now, s));
  }

  /**
   * Days of the same work without trouble, from three weeks on; null where it was not so: another
   * form or weight, pain over the usual, a morning worse, a session cut or hurried, a gap.
   */
  private @Nullable Integer steady(List<FamilySession> sessions) {
    FamilySession now = sessions.get(sessions.size() - 1);
    FamilySession first = now;
    int n = 0;
    for (int i = sessions.size() - 1; i >= 0; i--) {
      FamilySession s = sessions.get(i);
      boolean same =
          s.forms().equals(now.forms())
              && Objects.equals(Level.of(s).weight(), Level.of(now).weight())
              && Objects.equals(s.last().asked().beside(), now.last().asked().beside())
              && s.pain().isPresent()
              && s.pain().getAsInt() <= usualPain
              && s.settled()
              && s.effort().isPresent()
              && s.effort().getAsInt() <= goal(s)
              && !s.cut()
              && ChronoUnit.DAYS.between(s.date(), first.date()) <= GAP_DAYS;
      if (!same) {
        break;
      }
      first = s;
      n++;
    }
    int days = (int) ChronoUnit.DAYS.between(first.date(), now.date());
    return n >= STEADY_SESSIONS && days >= STEADY_DAYS ? (Integer) days : null;
  }

  /** What may be changed of work that was the same for weeks: never weight or rung. */
  List<Change> stimulus(FamilySession now, Steps steps) {
    if (noProgression || askOpen || steps.fewer()) {
      return List.of();
    }
    DoneSet at = now.last();
    return gentle(at.movementId(), at.grams(), null, steps);
  }

  private static List<Change> gentle(
      String movement, @Nullable Integer grams, Change.@Nullable Step tooBig, Steps steps) {
    List<Change> all = new ArrayList<>();
    if (steps.slower() != null) {
      all.add(new Change.Slower(movement, grams, tooBig, steps.slower()));
    }
    if (steps.hold() != null) {
      all.add(new Change.Hold(movement, grams, tooBig, steps.hold()));
    }
    if (steps.support() != null) {
      all.add(new Change.LessSupport(movement, grams, steps.support()));
    }
    return all;
  }

  /** The effort aimed for: never over what the run allowed. */
  private int goal(FamilySession s) {
    return s.effortCap() == null ? goalEffort : Math.min(goalEffort, s.effortCap());
  }

  /** Why the last two sessions are no step up, whatever the repetitions; empty when they may be. */
  private List<NoStep> never(List<FamilySession> sessions, Steps steps, Side side) {
    FamilySession now = sessions.get(sessions.size() - 1);
    FamilySession before = sessions.get(sessions.size() - 2);
    List<FamilySession> both = List.of(before, now);
    List<NoStep> all = new ArrayList<>();
    when(all, NoStep.FLAG, noProgression);
    when(all, NoStep.ASK_OPEN, askOpen);
    when(all, NoStep.PAIN_NOT_LOGGED, both.stream().anyMatch(s -> s.pain().isEmpty()));
    boolean asked = both.stream().allMatch(s -> s.nextDay() != null);
    when(all, NoStep.NOT_ASKED, !asked);
    boolean open = both.stream().anyMatch(FamilySession::secondOpen);
    when(all, NoStep.SECOND_OPEN, asked && open);
    when(
        all, NoStep.NOT_SETTLED, asked && !open && !both.stream().allMatch(FamilySession::settled));
    when(all, NoStep.CUT, both.stream().anyMatch(FamilySession::cut));
    when(
        all,
        NoStep.FINDING,
        both.stream().flatMap(s -> s.lastSets().stream()).anyMatch(DoneSet::finding));
    boolean gap = ChronoUnit.DAYS.between(before.date(), now.date()) > GAP_DAYS;
    when(all, NoStep.GAP, gap);
    when(all, NoStep.RETURNING, !gap && both.stream().anyMatch(FamilySession::fewerForGap));
    boolean other =
        !before.forms().equals(now.forms())
            || !Objects.equals(before.last().grams(), now.last().grams())
            || !Objects.equals(Level.of(before).weight(), Level.of(now).weight())
            || !Objects.equals(before.last().asked().beside(), now.last().asked().beside());
    when(all, NoStep.OTHER_FORM, other);
    when(all, NoStep.JUST_CHANGED, !other && before.taken() != null && before.taken().gentle);
    int pain = both.stream().mapToInt(s -> s.pain().orElse(0)).max().orElse(0);
    when(all, NoStep.PAIN_OVER_USUAL, pain >= usualPain + 1);
    when(all, NoStep.PAIN_NOT_FALLING, now.pain().orElse(0) >= 3 && !falling(sessions));
    Sided weight = Level.of(now).weight();
    Steps.Near near = steps.near(side);
    when(
        all,
        NoStep.NOT_LIGHTEST,
        weight != null
            && weight.of(side) == 0
            && near.next() != null
            && !near.next().equals(near.lightest()));
    return all;
  }

  private static void when(List<NoStep> all, NoStep why, boolean holds) {
    if (holds) {
      all.add(why);
    }
  }

  /** Pain never rose over the last three sessions and is less than at the first of them. */
  private static boolean falling(List<FamilySession> sessions) {
    if (sessions.size() < 3) {
      return false;
    }
    List<FamilySession> three = sessions.subList(sessions.size() - 3, sessions.size());
    if (three.stream().anyMatch(s -> s.pain().isEmpty())) {
      return false;
    }
    int[] p = three.stream().mapToInt(s -> s.pain().getAsInt()).toArray();
    return p[0] >= p[1] && p[1] >= p[2] && p[0] > p[2];
  }

  private @Nullable Judgement ease(
      FamilySession now,
      @Nullable FamilySession before,
      Steps steps,
      List<UUID> one,
      List<UUID> two) {
    Change down = stepDown(now, steps);
    OptionalInt pain = now.pain();
    if (school == School.PAIN_FREE && pain.isPresent() && pain.getAsInt() >= usualPain + 1) {
      Grounds f = new Grounds.OverUsual(pain.getAsInt(), usualPain);
      return new Judgement(Verdict.EASE, Rule.EASE_PAIN_FREE, f, one, down);
    }
    if (school == School.MONITORED && pain.isPresent()) {
      int p = pain.getAsInt();
      boolean stays = now.morningRise().orElse(0) > 0;
      boolean rising =
          before != null
              && before.pain().isPresent()
              && p >= 3
              && p >= before.pain().getAsInt() + 2;
      if (p > 5 || p >= 3 && (stays || rising)) {
        OptionalInt told = now.morningRise();
        Grounds f = new Grounds.Monitored(p, told.isPresent() ? (Integer) told.getAsInt() : null);
        return new Judgement(Verdict.EASE, Rule.EASE_MONITORED, f, one, down);
      }
    }
    Integer cap = now.effortCap();
    if (cap != null && now.effort().orElse(0) > cap) {
      Grounds f = new Grounds.OverCap(now.effort().orElse(0), cap);
      return new Judgement(Verdict.EASE, Rule.EASE_OVER_CAP, f, one, down);
    }
    int rise = now.morningRise().orElse(0);
    if (rise >= 2) {
      return new Judgement(Verdict.EASE, Rule.EASE_MORNING, new Grounds.Morning(rise), one, down);
    }
    if (rise >= 1 && before != null && before.morningRise().orElse(0) >= 1) {
      return new Judgement(
          Verdict.EASE, Rule.EASE_MORNING_TWICE, new Grounds.Morning(rise), two, down);
    }
    if (before != null
        && now.effort().orElse(0) >= goal(now) + 2
        && before.effort().orElse(0) >= goal(before) + 2) {
      Grounds f = new Grounds.OverGoal(now.effort().orElse(0), goal(now));
      return new Judgement(Verdict.EASE, Rule.EASE_EFFORT, f, two, down);
    }
    if (now.moreTired()) {
      DoneSet at = now.last();
      Integer half = at.targetReps() == null ? null : Math.max(1, at.targetReps() / 2);
      return new Judgement(
          Verdict.EASE,
          Rule.EASE_FATIGUE,
          new Grounds.Plain(),
          one,
          new Change.HalveSession(at.movementId(), at.grams(), half));
    }
    return null;
  }

  /** Relief: less pain now than at the EASE before. */
  private static boolean relieved(FamilySession before, FamilySession now) {
    return now.pain().isPresent()
        && before.pain().isPresent()
        && now.pain().getAsInt() < before.pain().getAsInt();
  }

  /**
   * Two or more repetitions over target, in good form, at effort at or under the goal in the last
   * set of each side, or of one.
   */
  private boolean over(FamilySession s, Side side) {
    int goal = goal(s);
    return s.lastSets().stream()
        .filter(e -> side == Side.BOTH || e.side() == side)
        .allMatch(
            e ->
                !e.formLost()
                    && e.effort() != null
                    && e.effort() <= goal
                    && (e.targetReps() == null
                        ? e.effort() <= goal - 2 // a hold has no repetitions to exceed
                        : e.reps() != null && e.reps() >= e.targetReps() + OVER));
  }

  /**
   * The ways up from where a session left a side, the best first; empty where a limit is in the way
   * or every way is used up. A weight that is a step at most comes first; where the next is a step
   * too big, what is in this kit between, else the same weight done slower, held, with less
   * support, in one set more, with a band as well, else the next rung. Fewer repetitions agreed
   * before come back before all that.
   */
  List<Change> ways(FamilySession now, Side side, Steps steps) {
    DoneSet at = now.last();
    Level level = Level.of(now);
    Sided weight = level.weight();
    String movement = at.movementId();
    Integer grams = at.grams();
    Steps.Near near = steps.near(side);
    List<Change> all = new ArrayList<>();
    if (steps.fewer() && at.targetReps() != null) {
      int from = at.targetReps();
      all.add(new Change.MoreReps(movement, grams, from + OVER, from));
      return all; // one change at a time: what was taken off comes back first
    }
    Integer next = near.next();
    if (weight == null || grams == null || next == null) {
      if (steps.nextRung() != null) {
        all.add(new Change.RungUp(steps.nextRung(), grams));
      } else if (steps.blocked() || steps.slow() && steps.hold() == null) {
        return all; // a limit is in the way, or the way is used up: stay
      }
      all.addAll(gentle(movement, grams, null, steps));
      return all;
    }
    int held = weight.of(side);
    int target = at.targetReps() == null ? 8 : at.targetReps();
    if (held == 0) {
      all.add(load(movement, weight, side, next, null));
      return all;
    }
    Integer within =
        near.within() == null && !Loads.tooBig(held, next, steps.percent()) ? next : near.within();
    int equal = Loads.equalReps(held, next, target, new Effort(Math.max(5, goalEffort)).repsLeft());
    Change.Step tooBig = null;
    if (within != null) {
      all.add(load(movement, weight, side, within, null));
    } else if (done(now, side, held, equal)) {
      all.add(load(movement, weight, side, next, equal));
    } else {
      tooBig = new Change.Step(next, equal);
    }
    if (tooBig != null && near.pair() != null && side == Side.BOTH && !weight.differs()) {
      all.add(new Change.TwoInOne(movement, near.pair(), held));
    }
    all.addAll(gentle(movement, grams, tooBig, steps));
    if (tooBig != null && side == Side.BOTH && !weight.differs()) {
      if (steps.sets() != null) {
        all.add(new Change.MoreSets(movement, grams, tooBig, steps.sets()));
      }
      if (steps.pull() != null) {
        all.add(new Change.BandBeside(movement, grams, tooBig, steps.pull()));
      }
    }
    if (steps.nextRung() != null) {
      all.add(new Change.RungUp(steps.nextRung(), grams));
    }
    return all;
  }

  /** Whether the last set of the side was so many repetitions at that weight. */
  private static boolean done(FamilySession s, Side side, int grams, int reps) {
    return s.lastSets().stream()
        .filter(e -> side == Side.BOTH || e.side() == side || e.side() == Side.BOTH)
        .allMatch(e -> e.reps() != null && e.reps() >= reps && Objects.equals(e.grams(), grams));
  }

  static Change load(String movement, Sided weight, Side side, int grams, @Nullable Integer equal) {
    Sided after = weight.with(side, grams);
    return new Change.LoadUp(
        movement, after.heavier(), weight.of(side), equal, side, after.differs() ? after : null);
  }

  private static Change stepDown(FamilySession now, Steps steps) {
    DoneSet at = now.last();
    Integer grams = at.grams();
    if (grams != null && grams > 0) {
      return down(now, steps);
    }
    if (steps.previousRung() != null) {
      return new Change.RungDown(steps.previousRung());
    }
    Integer fewer = at.targetReps() == null ? null : Math.max(1, at.targetReps() / 2);
    return new Change.FewerReps(at.movementId(), grams, fewer);
  }

  /** A step of the kit down on each side that holds one. */
  static Change.LoadDown down(FamilySession now, Steps steps) {
    DoneSet at = now.last();
    Sided weight = Level.of(now).weight();
    Sided less =
        weight == null
            ? Sided.same(0)
            : new Sided(
                less(steps, Side.LEFT, weight.left()), less(steps, Side.RIGHT, weight.right()));
    return new Change.LoadDown(
        at.movementId(), less.heavier(), at.grams(), less.differs() ? less : null);
  }

  private static int less(Steps steps, Side side, int grams) {
    Integer previous = steps.near(side).previous();
    return previous == null || grams == 0 ? 0 : Math.min(previous, grams);
  }
}
