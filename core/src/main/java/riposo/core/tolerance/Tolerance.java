package riposo.core.tolerance;

import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.OptionalInt;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.dose.Loads;
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
  /** Days after which a pause takes something off: two sessions further apart are no pair. */
  public static final int GAP_DAYS = 9;

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
    int worst = Math.max(pain, now.nextDay() == null ? -1 : now.nextDay().pain());
    if (worst > 7) {
      return new Judgement(
          Verdict.STOP_AND_REFER, Rule.STOP_PAIN, new Grounds.Pain(worst), one, stop);
    }
    if (now.nextDay() != null && !now.nextDay().newSigns().isEmpty()) {
      return new Judgement(
          Verdict.STOP_AND_REFER,
          Rule.STOP_NEW_SIGN,
          new Grounds.NewSigns(now.nextDay().newSigns().size()),
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
    if (before != null && over(before) && over(now)) {
      noStep.addAll(never(sessions, steps));
      Change up = noStep.isEmpty() ? stepUp(now, steps) : null;
      if (up != null) {
        DoneSet last = now.lastSets().get(0);
        boolean hold = last.targetReps() == null;
        Grounds f =
            new Grounds.TwoForTwo(
                hold ? null : last.reps(), last.targetReps(), now.effort().orElse(0), goal(now));
        return new Judgement(Verdict.STEP_UP, Rule.STEP_UP, f, two, up);
      }
      if (noStep.isEmpty()) {
        noStep.add(NoStep.NO_WAY);
      }
    }
    DoneSet last = now.lastSets().get(0);
    Integer target = last.targetReps();
    boolean counted = last.reps() != null && target != null;
    Grounds f =
        new Grounds.Otherwise(
            counted ? last.reps() : null,
            counted && target != null ? (Integer) (target + 2) : null,
            now.effort().isPresent() ? (Integer) now.effort().getAsInt() : null,
            now.nextDay() != null,
            noProgression);
    return new Judgement(
        Verdict.STAY, Rule.STAY, f, one, new Change.None(at.movementId(), at.grams()), noStep);
  }

  /** The effort aimed for: never over what the run allowed. */
  private int goal(FamilySession s) {
    return s.effortCap() == null ? goalEffort : Math.min(goalEffort, s.effortCap());
  }

  /** Why the last two sessions are no step up, whatever the repetitions; empty when they may be. */
  private List<NoStep> never(List<FamilySession> sessions, Steps steps) {
    FamilySession now = sessions.get(sessions.size() - 1);
    FamilySession before = sessions.get(sessions.size() - 2);
    List<FamilySession> both = List.of(before, now);
    List<NoStep> all = new ArrayList<>();
    when(all, NoStep.FLAG, noProgression);
    when(all, NoStep.ASK_OPEN, askOpen);
    when(all, NoStep.PAIN_NOT_LOGGED, both.stream().anyMatch(s -> s.pain().isEmpty()));
    boolean asked = both.stream().allMatch(s -> s.nextDay() != null);
    when(all, NoStep.NOT_ASKED, !asked);
    when(all, NoStep.NOT_SETTLED, asked && !both.stream().allMatch(FamilySession::settled));
    when(all, NoStep.CUT, both.stream().anyMatch(FamilySession::cut));
    when(
        all,
        NoStep.FINDING,
        both.stream().flatMap(s -> s.lastSets().stream()).anyMatch(DoneSet::finding));
    when(all, NoStep.GAP, ChronoUnit.DAYS.between(before.date(), now.date()) > GAP_DAYS);
    when(
        all,
        NoStep.OTHER_FORM,
        !before.forms().equals(now.forms())
            || !Objects.equals(before.last().grams(), now.last().grams()));
    int pain = both.stream().mapToInt(s -> s.pain().orElse(0)).max().orElse(0);
    when(all, NoStep.PAIN_OVER_USUAL, pain >= usualPain + 1);
    when(all, NoStep.PAIN_NOT_FALLING, now.pain().orElse(0) >= 3 && !falling(sessions));
    Integer grams = now.last().grams();
    when(
        all,
        NoStep.NOT_LIGHTEST,
        grams != null
            && grams == 0
            && steps.nextGrams() != null
            && !steps.nextGrams().equals(steps.lightestGrams()));
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
    if (now.nextDay() != null && now.nextDay().moreTired()) {
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
   * set of each side.
   */
  private boolean over(FamilySession s) {
    int goal = goal(s);
    return s.lastSets().stream()
        .allMatch(
            e ->
                !e.formLost()
                    && e.effort() != null
                    && e.effort() <= goal
                    && (e.targetReps() == null
                        ? e.effort() <= goal - 2 // a hold has no repetitions to exceed
                        : e.reps() != null && e.reps() >= e.targetReps() + 2));
  }

  private @Nullable Change stepUp(FamilySession now, Steps steps) {
    DoneSet at = now.last();
    Integer grams = at.grams();
    if (grams != null && steps.nextGrams() != null) {
      int next = steps.nextGrams();
      if (grams > 0 && !Loads.tooBig(grams, next)) {
        return new Change.LoadUp(at.movementId(), next, grams, null);
      }
      int target = at.targetReps() == null ? 8 : at.targetReps();
      if (grams > 0) {
        int equal =
            Loads.equalReps(grams, next, target, new Effort(Math.max(5, goalEffort)).repsLeft());
        if (at.reps() != null && at.reps() >= equal) {
          return new Change.LoadUp(at.movementId(), next, grams, equal);
        }
        if (steps.slow()) {
          return steps.nextRung() == null
              ? null // every way is used up: stay, and let the professional find another
              : new Change.RungUp(steps.nextRung(), grams);
        }
        return new Change.Slower(at.movementId(), grams, new Change.Step(next, equal));
      }
      return new Change.LoadUp(at.movementId(), next, grams, null);
    }
    if (steps.nextRung() != null) {
      return new Change.RungUp(steps.nextRung(), grams);
    }
    return steps.blocked() || steps.slow()
        ? null // a limit is in the way, or the way is used up: stay
        : new Change.Slower(at.movementId(), grams, null);
  }

  private static Change stepDown(FamilySession now, Steps steps) {
    DoneSet at = now.last();
    Integer grams = at.grams();
    if (grams != null && grams > 0) {
      int down = steps.previousGrams() == null ? 0 : steps.previousGrams();
      return new Change.LoadDown(at.movementId(), down, grams);
    }
    if (steps.previousRung() != null) {
      return new Change.RungDown(steps.previousRung());
    }
    Integer fewer = at.targetReps() == null ? null : Math.max(1, at.targetReps() / 2);
    return new Change.FewerReps(at.movementId(), grams, fewer);
  }
}
