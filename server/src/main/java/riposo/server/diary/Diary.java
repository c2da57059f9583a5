package riposo.server.diary;

import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** The diary of a client, for the other modules. */
public interface Diary {
  /** What a mark is about. */
  enum Kind {
    HEART_EVENT("heart event", true),
    SYMPTOM("new symptom", true),
    OPERATION("operation", true),
    ILLNESS("illness", true),
    HOSPITAL("hospital stay", true),
    FALL("fall", true),
    FLARE("flare", true),
    STOPPED("session stopped", true),
    MORNING("morning after", false),
    MEDICINE("medicine changed", false),
    HOLIDAY("holiday", false),
    HARD_DAY("hard day", false),
    NOTE("note", false);

    public final String words;

    /** Something that asks to look at what was before it. */
    public final boolean grave;

    Kind(String words, boolean grave) {
      this.words = words;
      this.grave = grave;
    }
  }

  /**
   * Something beside the sessions.
   *
   * @param entryId of an entry of the diary's own; null where it is known from elsewhere
   * @param until the last day of what lasted; null for a day
   * @param title in a few words
   * @param words what was said; null where nothing was
   * @param from where it is known from, and by whom
   * @param grave it asks to look at what was before it
   */
  record Mark(
      @Nullable UUID entryId,
      Kind kind,
      LocalDate on,
      @Nullable LocalDate until,
      String title,
      @Nullable String words,
      String from,
      boolean grave) {}

  /** Those of a client that touch the days from one on, in time order. */
  List<Mark> marks(UUID clientId, LocalDate from);

  /** Notes something as of a day, as the page does. */
  UUID note(
      UUID clientId, Kind kind, LocalDate on, @Nullable LocalDate until, @Nullable String words);
}
