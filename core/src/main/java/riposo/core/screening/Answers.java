package riposo.core.screening;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import riposo.core.limit.Side;

/** Answers read against the question set: which are asked, which are missing, which are wrong. */
final class Answers {
  private static final Set<String> YES_NO = Set.of("yes", "no", "unsure");
  private static final Set<String> SIDES = Set.of("left", "right", "both");

  final LocalDate today;
  final Set<String> visible = new LinkedHashSet<>();
  final List<String> missing = new ArrayList<>();
  final Map<String, String> errors = new LinkedHashMap<>();
  private final Map<String, String> given;

  Answers(Map<String, String> given, LocalDate today) {
    this.given = given;
    this.today = today;
    for (String id : given.keySet()) {
      if (!Questions.ALL.containsKey(id)) {
        errors.put(id, "There is no such question.");
      }
    }
    for (Question q : Questions.ALL.values()) {
      if (!shown(q.showIf())) {
        continue;
      }
      visible.add(q.id());
      String a = given.get(q.id());
      if (a == null || a.isBlank()) {
        if (!q.optional()) {
          missing.add(q.id());
        }
        continue;
      }
      @Nullable String error = error(q, a);
      if (error != null) {
        errors.put(q.id(), error);
      }
    }
  }

  private boolean shown(@Nullable String showIf) {
    if (showIf == null) {
      return true;
    }
    for (String one : showIf.split("\\|")) {
      int eq = one.indexOf('=');
      if (eq < 0 ? yes(one) : is(one.substring(0, eq), one.substring(eq + 1))) {
        return true;
      }
    }
    return false;
  }

  private @Nullable String error(Question q, String a) {
    switch (q.kind()) {
      case YES_NO:
        return YES_NO.contains(a) ? null : "Answer yes, no or not sure.";
      case SIDE:
        return SIDES.contains(a) ? null : "Answer left, right or both.";
      case CHOICE:
        return q.options().stream().anyMatch(o -> o.value().equals(a))
            ? null
            : "Answer with one of: "
                + String.join(", ", q.options().stream().map(Question.Option::words).toList())
                + ".";
      case DATE:
        try {
          LocalDate d = LocalDate.parse(a);
          boolean ahead = q.id().equals("pregnancy.due");
          return !ahead && d.isAfter(today)
              ? "The date " + d + " lies after today, " + today + "."
              : !ahead && d.isBefore(today.minusYears(110))
                  ? "The date " + d + " is more than 110 years ago."
                  : null;
        } catch (DateTimeParseException e) {
          return "Give the date as year-month-day, for example 2027-02-12.";
        }
      default:
        String range =
            "Give a whole number from " + q.least() + " to " + q.greatest() + " " + q.unit() + ".";
        try {
          int n = Integer.parseInt(a);
          return q.least() != null && n < q.least() || q.greatest() != null && n > q.greatest()
              ? range
              : null;
        } catch (NumberFormatException e) {
          return range;
        }
    }
  }

  /** Yes or not sure, and asked. Not sure counts as yes until cleared. */
  boolean yes(String id) {
    String a = given.get(id);
    return visible.contains(id) && ("yes".equals(a) || "unsure".equals(a));
  }

  /** A protective question answered with a plain yes: not sure protects nobody. */
  boolean surely(String id) {
    return visible.contains(id) && "yes".equals(given.get(id));
  }

  boolean answered(String id) {
    String a = given.get(id);
    return visible.contains(id) && a != null && !a.isBlank() && !errors.containsKey(id);
  }

  boolean is(String id, String value) {
    return visible.contains(id) && value.equals(given.get(id));
  }

  /** The option chosen; empty when the question is not asked or not answered. */
  String choice(String id) {
    return visible.contains(id) ? given.getOrDefault(id, "") : "";
  }

  String so(String id) {
    return "unsure".equals(given.get(id)) ? " (not sure counts as yes)" : "";
  }

  @Nullable Integer number(String id) {
    return answered(id) ? Integer.valueOf(text(id)) : null;
  }

  @Nullable LocalDate date(String id) {
    return answered(id) ? LocalDate.parse(text(id)) : null;
  }

  private String text(String id) {
    return java.util.Objects.requireNonNull(given.get(id));
  }

  /** Until the side is known both are held back. */
  Side side(String id) {
    return is(id, "left") ? Side.LEFT : is(id, "right") ? Side.RIGHT : Side.BOTH;
  }
}
