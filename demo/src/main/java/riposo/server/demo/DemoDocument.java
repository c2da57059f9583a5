package riposo.server.demo;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import riposo.core.kit.Room;
import riposo.core.limit.Side;
import riposo.core.movement.Kit;
import riposo.core.plan.Mobility;
import riposo.core.screening.Happened;
import riposo.core.screening.Pressure;
import riposo.core.tolerance.NextDay;
import riposo.core.tolerance.School;
import riposo.server.diary.Diary;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** A studio told as a document. Days are counted from today: 0 is today, -1 yesterday. */
record DemoDocument(
    StudioPart studio,
    List<PlanPart> plans,
    Set<Kit> homeKit,
    List<ClientPart> clients,
    List<RoomPart> rooms,
    List<GroupPart> groups) {

  record StudioPart(
      String name,
      String zone,
      String emergencyNumber,
      String phone,
      String password,
      List<AccountPart> accounts) {}

  record AccountPart(String email, String name) {}

  /** A plan of their own as a plan document, or a copy of a starting point: one of the two. */
  record PlanPart(String key, @Nullable JsonNode document, @Nullable String startingPoint) {}

  /** An hour of a day. */
  record Moment(int day, int hour) {}

  /**
   * @param usualPain of 10
   * @param goalEffort of 10
   * @param weights grams, in pairs
   * @param earlier screenings before the newest
   * @param screening null: nobody has screened them
   * @param missed days of sessions that were booked and not held
   */
  record ClientPart(
      String name,
      int age,
      String goal,
      String facts,
      Mobility mobility,
      @Nullable School school,
      @Nullable String schoolBy,
      int usualPain,
      int goalEffort,
      List<Integer> weights,
      Moment joined,
      @Nullable List<ScreeningPart> earlier,
      @Nullable ScreeningPart screening,
      @Nullable List<LimitPart> limits,
      @Nullable ClearancePart clearance,
      @Nullable RecordPart record,
      @Nullable List<SeriesPart> series,
      @Nullable List<SessionPart> sessions,
      @Nullable List<HappenedPart> happened,
      @Nullable List<DiaryPart> diary,
      @Nullable List<ReviewPart> reviews,
      @Nullable List<Integer> missed,
      @Nullable TodayPart today) {
    /** Every screening, the newest last; empty where nobody has screened them. */
    List<ScreeningPart> screenings() {
      return Stream.concat(earlier().stream(), Stream.ofNullable(screening)).toList();
    }

    School pain() {
      return school == null ? School.PAIN_FREE : school;
    }

    @Override
    public List<LimitPart> limits() {
      return limits == null ? List.of() : limits;
    }

    @Override
    public List<ScreeningPart> earlier() {
      return earlier == null ? List.of() : earlier;
    }

    @Override
    public List<HappenedPart> happened() {
      return happened == null ? List.of() : happened;
    }

    @Override
    public List<DiaryPart> diary() {
      return diary == null ? List.of() : diary;
    }

    @Override
    public List<Integer> missed() {
      return missed == null ? List.of() : missed;
    }

    @Override
    public List<ReviewPart> reviews() {
      return reviews == null ? List.of() : reviews;
    }

    /** Those of the series and those told one by one, in time order. */
    @Override
    public List<SessionPart> sessions() {
      List<SessionPart> all = new ArrayList<>(sessions == null ? List.of() : sessions);
      if (series != null) {
        series.forEach(s -> all.addAll(s.sessions()));
      }
      all.sort(Comparator.comparing(SessionPart::day));
      return all;
    }
  }

  /**
   * @param on when it was taken; null: as they joined
   * @param answers by question; a whole number is a day from today
   * @param decided every limit proposed was accepted
   */
  record ScreeningPart(@Nullable Moment on, boolean decided, Map<String, Object> answers) {
    Map<String, String> given(LocalDate today) {
      Map<String, String> given = new LinkedHashMap<>();
      answers.forEach(
          (k, v) -> given.put(k, (v instanceof Integer d ? today.plusDays(d) : v).toString()));
      return given;
    }
  }

  /** A firm limit from one day on, until another or until it is reviewed. */
  record LimitPart(
      String axis, Side side, int cap, String source, int from, @Nullable Integer until) {}

  record ClearancePart(String role, String name, int until, Set<String> covers) {}

  record RecordPart(
      int restingPulse,
      @Nullable Integer massKg,
      @Nullable Integer statureCm,
      @Nullable Integer kneeCm,
      @Nullable String medicine,
      @Nullable Boolean slowsPulse,
      String contact,
      String phone) {}

  /** Something that happened between screenings. */
  record HappenedPart(Happened kind, int day, String note) {}

  /** A review that was held, with its word for the client. */
  record ReviewPart(int day, String words) {}

  /** An entry of the diary. */
  record DiaryPart(Diary.Kind kind, int day, @Nullable Integer until, @Nullable String words) {}

  /**
   * Sessions alike, one after the other.
   *
   * @param from the day of the first, {@code until} none later
   * @param every how many days
   * @param effort in turn, as {@code over} and {@code before}
   * @param unanswered every how manieth morning is not answered; null for none
   */
  record SeriesPart(
      int from,
      int until,
      int every,
      int hour,
      String plan,
      List<Integer> effort,
      @Nullable List<Integer> over,
      @Nullable Integer before,
      @Nullable List<Integer> pressure,
      @Nullable Integer saturation,
      @Nullable Map<String, SaidPart> families,
      @Nullable NextPart next,
      @Nullable NextPart second,
      @Nullable Integer unanswered) {
    List<SessionPart> sessions() {
      List<SessionPart> all = new ArrayList<>();
      int n = 0;
      for (int day = from; day <= until; day += every) {
        n++;
        boolean silent = unanswered != null && n % unanswered == 0;
        all.add(
            new SessionPart(
                day,
                hour,
                plan,
                effort.get((n - 1) % effort.size()),
                null,
                null,
                over == null ? null : over.get((n - 1) % over.size()),
                before,
                pressure,
                saturation,
                families,
                silent ? null : next,
                silent ? null : second,
                true,
                null));
      }
      return all;
    }
  }

  /** What is said of a set; null is as of the other families. */
  record SaidPart(@Nullable Integer effort, @Nullable Integer pain, @Nullable String where) {}

  /**
   * A session done and closed, unless said otherwise.
   *
   * @param effort of every set, of 10
   * @param over repetitions more than asked
   * @param before pain before it
   * @param pressure upper and lower, mmHg
   * @param saturation oxygen, %
   * @param second the check-in at 72 h; null where none was answered
   * @param accepted the verdicts were accepted at nine the next morning
   */
  record SessionPart(
      int day,
      int hour,
      String plan,
      int effort,
      @Nullable Integer pain,
      @Nullable String where,
      @Nullable Integer over,
      @Nullable Integer before,
      @Nullable List<Integer> pressure,
      @Nullable Integer saturation,
      @Nullable Map<String, SaidPart> families,
      @Nullable NextPart next,
      @Nullable NextPart second,
      @Nullable Boolean accepted,
      @Nullable Boolean closed) {
    @Nullable Pressure reading() {
      return pressure == null ? null : new Pressure(pressure.get(0), pressure.get(1));
    }

    /** What is said of a set of this family. */
    Said of(String family) {
      SaidPart other = families == null ? null : families.get(family);
      Integer hurt = other != null && other.pain() != null ? other.pain() : pain;
      return new Said(
          Objects.requireNonNullElse(
              other != null && other.effort() != null ? other.effort() : null, effort),
          hurt == null ? 0 : hurt,
          other != null && other.where() != null ? other.where() : where,
          over == null ? 0 : over);
    }
  }

  /**
   * @param over repetitions more than asked
   */
  record Said(int effort, int pain, @Nullable String where, int over) {}

  /**
   * A check-in that was answered.
   *
   * @param tired much more than usual
   */
  record NextPart(
      int hour,
      int pain,
      NextDay.Compared compared,
      @Nullable Boolean tired,
      @Nullable String where,
      @Nullable Integer soreness,
      @Nullable Integer sleep,
      @Nullable String words) {
    NextDay said() {
      return new NextDay(
          pain,
          compared,
          Boolean.TRUE.equals(tired),
          Set.of(),
          new NextDay.More(where, soreness, sleep, null, NextDay.Swelling.NONE, words),
          null);
    }
  }

  /**
   * @param runningSince minutes ago the session began that stands paused after its first set
   */
  record TodayPart(
      String plan, LocalTime at, @Nullable Integer runningSince, @Nullable Integer before) {}

  record RoomPart(String name, @Nullable String homeOf, Room room) {}

  record GroupPart(
      String name,
      String room,
      String plan,
      int lanes,
      @JsonProperty("at") LocalTime at,
      List<String> members) {}

  /**
   * Reads a document of the class path; a field it does not know is refused.
   *
   * @throws tools.jackson.core.JacksonException naming what cannot be read and where
   */
  static DemoDocument read(String resource) {
    try (InputStream in = DemoDocument.class.getResourceAsStream(resource)) {
      return YAMLMapper.builder()
          .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
          .build()
          .readValue(Objects.requireNonNull(in, resource), DemoDocument.class);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
