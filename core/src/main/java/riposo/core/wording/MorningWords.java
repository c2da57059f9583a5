package riposo.core.wording;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import riposo.core.tolerance.NextDay;
import riposo.core.tolerance.Verdict;

/** Check-ins in sentences, for the professional. */
public final class MorningWords {
  private MorningWords() {}

  /** Everything that was answered; what was not said is left out. */
  public static String answer(NextDay a) {
    List<String> all = new ArrayList<>();
    all.add(
        "Pain "
            + a.pain()
            + " of 10"
            + (a.more().where() == null ? "" : " (" + a.more().where() + ")")
            + ", "
            + compared(a.compared())
            + (a.moreTired() ? ", much more tired" : "")
            + ".");
    if (!a.newSigns().isEmpty()) {
      all.add("New: " + signs(a.newSigns()) + ".");
    }
    if (!a.takenBack().isEmpty()) {
      all.add(
          "Told first and taken back within the hour: "
              + signs(a.takenBack())
              + "; it stops until your word ends it.");
    }
    NextDay.More more = a.more();
    if (more.swelling() == NextDay.Swelling.PASSED) {
      all.add("Swelling that passed.");
    }
    List<String> scales = new ArrayList<>();
    scale(scales, "sore", more.soreness());
    scale(scales, "sleep", more.sleep());
    scale(scales, "energy", more.energy());
    if (!scales.isEmpty()) {
      all.add("Told besides, of 10: " + String.join(", ", scales) + ".");
    }
    if (more.words() != null) {
      all.add("“" + more.words() + "”");
    }
    return String.join(" ", all);
  }

  private static void scale(List<String> all, String name, @Nullable Integer n) {
    if (n != null) {
      all.add(name + " " + n);
    }
  }

  private static String compared(NextDay.Compared c) {
    return c == NextDay.Compared.SAME
        ? "the same as before the session"
        : c.name().toLowerCase(Locale.ROOT) + " than before the session";
  }

  /** Signs, the gravest first. */
  public static String signs(Collection<NextDay.Sign> signs) {
    return signs.stream().sorted().map(s -> s.words).collect(Collectors.joining("; "));
  }

  /** What a morning did to the verdict of a family. */
  public static String did(String family, Verdict before, Verdict now) {
    return family + ": " + name(now) + ", it was " + name(before) + " before";
  }

  /** A verdict by name: "stop and refer". */
  public static String name(Verdict v) {
    return v.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }
}
