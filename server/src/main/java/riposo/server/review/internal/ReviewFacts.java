package riposo.server.review.internal;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import riposo.server.diary.Diary;
import riposo.server.tolerance.Courses;

/**
 * What a review looks at, from its first day to its last.
 *
 * @param facts that matter, as on the client's header; null where none were given
 * @param goals the client's, in their words
 * @param held sessions of these days
 * @param answered of them those with an answered morning, {@code worse} with a worse one
 * @param weeks one after the other, the last one may be short
 * @param stops sessions that ended at the stop panel
 * @param marks of the diary that ask to be looked at
 * @param came limits that began in these days, {@code ended} that ended or were lifted
 * @param limits that hold on the last day
 * @param open what stands in the way of training on the last day
 * @param next what is proposed, family by family
 */
record ReviewFacts(
    String client,
    int age,
    @Nullable String facts,
    List<String> goals,
    String school,
    int usualPain,
    int goalEffort,
    String studio,
    @Nullable String phone,
    String emergencyNumber,
    LocalDate from,
    LocalDate to,
    int held,
    int answered,
    int worse,
    List<Week> weeks,
    int stops,
    List<Courses.FamilyCourse> courses,
    List<Diary.Mark> marks,
    List<LimitLine> came,
    List<LimitLine> ended,
    List<LimitLine> limits,
    List<String> open,
    List<String> next) {
  /**
   * A week.
   *
   * @param load effort times minutes; null where one of them is not known
   */
  record Week(LocalDate from, int sessions, @Nullable Integer load) {}

  /** A limit in words, with whose word it is. */
  record LimitLine(
      String words, boolean firm, String source, LocalDate from, @Nullable LocalDate until) {}
}
