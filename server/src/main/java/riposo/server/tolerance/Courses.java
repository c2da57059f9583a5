package riposo.server.tolerance;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.review.Course;
import riposo.core.wording.TrendWords;

/** What became of a client's families over some days, for a review. */
public interface Courses {
  /** A session's place on the line of a family; higher is more. */
  record CourseStep(LocalDate date, int level) {}

  /**
   * A family over the days.
   *
   * @param tasks of the day it is for
   * @param before what was done first, in words
   * @param now what was done last, in words
   * @param levels how many places its line has
   * @param eases verdicts of these days that ease, {@code stops} those that stop and refer
   * @param sets of the last session, set by set
   * @param verdict the newest, in words; null where there is none
   * @param rule of it, with its source
   * @param trends those that say something
   */
  record FamilyCourse(
      String familyId,
      String family,
      List<String> tasks,
      Course course,
      String before,
      String now,
      int levels,
      List<CourseStep> steps,
      int eases,
      int stops,
      List<String> sets,
      @Nullable String verdict,
      @Nullable String rule,
      List<TrendWords.TrendLine> trends) {}

  /**
   * @param from first day, inclusive
   * @param to last day, inclusive
   */
  List<FamilyCourse> of(UUID clientId, LocalDate from, LocalDate to);
}
