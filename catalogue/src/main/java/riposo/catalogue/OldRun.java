package riposo.catalogue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import riposo.core.adapt.AdaptedPlan.WorkShare;
import riposo.core.dose.Dose;
import riposo.core.limit.Side;
import riposo.core.movement.Modifier;
import riposo.core.movement.Tempo;
import riposo.core.plan.Block;
import riposo.core.plan.Stage;
import riposo.core.plan.Timeline;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.run.Stamp;
import riposo.core.today.TodayCheck;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Reads what the first version stored of a run: a picture of the screen with its sentences. The
 * facts are taken out of it; a number it does not have stays unknown and is never 0.
 *
 * @param sheet for its one person
 * @param painBefore 0 to 10; null when not asked
 * @param dose how today cut the plan; null in runs from before it was asked
 * @param checkId today's check; null in runs from before checks were kept
 * @param cautions said before the start
 * @param reasons why today cut the plan, as said before the start
 */
public record OldRun(
    RunSheet sheet,
    @Nullable Integer painBefore,
    TodayCheck.@Nullable Dose dose,
    @Nullable UUID checkId,
    List<String> cautions,
    List<String> reasons) {
  private static final Pattern SHARE = Pattern.compile("works (\\d+) of each (\\d+) s");
  private static final Pattern STAGE_REPS =
      Pattern.compile("(\\d+) × (\\w+) range, (\\d+-\\d+-\\d+-\\d+)");
  private static final Pattern STAGE_PULSES = Pattern.compile("(\\d+) pulses ?(\\w*)");
  private static final Pattern STAGE_HOLD = Pattern.compile("hold (\\w+), (\\d+) counts");

  /**
   * Reads a stored run.
   *
   * @param adapted the adapted plan it was started with, as stored
   * @param today what was asked before the start, as stored
   * @param planId of the row, where the stored plan names none
   * @param planName of the row, as above
   * @param date of the row, as above
   */
  public static OldRun read(
      String adapted, String today, UUID client, UUID planId, String planName, LocalDate date) {
    JsonNode a = RunDocument.JSON.readTree(adapted);
    JsonNode t = RunDocument.JSON.readTree(today);
    List<RunSheet.Slot> slots = new ArrayList<>();
    a.path("slots").forEach(s -> slots.add(slot(s)));
    Timeline timeline =
        a.path("timeline").isObject()
            ? RunDocument.JSON.treeToValue(a.path("timeline"), Timeline.class)
            : new Timeline(List.of(), 0, 0, 0, 0, 0, false);
    RunSheet sheet =
        new RunSheet(
            planId,
            planName,
            date,
            timeline,
            number(a, "beat"),
            List.of(
                new RunSheet.Person(client, number(a, "effortCap"), null, null, share(a), slots)));
    String dose = text(t, "dose");
    String check = text(t, "checkId");
    return new OldRun(
        sheet,
        number(t, "painBefore"),
        dose == null ? null : TodayCheck.Dose.valueOf(dose),
        check == null ? null : UUID.fromString(check),
        texts(t.path("cautions")),
        texts(t.path("reasons")));
  }

  /**
   * Reads a stored event. What older versions took without asking is brought within bounds: texts
   * are cut, a number below 0 is 0, a device without a name is {@link Stamp#OLD}.
   *
   * @param id of the row
   */
  public static RunEvent event(String body, UUID id, UUID client) {
    JsonNode n = RunDocument.JSON.readTree(body);
    if (n instanceof ObjectNode o) {
      o.put("id", id.toString());
      if (o.path("seq").asInt(0) < 0) {
        o.put("seq", 0);
      }
      String device = text(o, "device");
      if (device != null && device.isBlank()) {
        o.remove("device");
      }
      cut(o, "device", 40);
      cut(o, "text", 400);
      if (o.path("entry") instanceof ObjectNode entry) {
        cut(entry, "painWhere", 60);
      }
    }
    return RunDocument.JSON.treeToValue(n, EventDocument.class).toEvent(client);
  }

  private static void cut(ObjectNode n, String field, int most) {
    String s = text(n, field);
    if (s != null && s.length() > most) {
      n.put(field, s.substring(0, most));
    }
  }

  /** What was said before the start, as it is stored. */
  public String told() {
    return RunDocument.JSON.writeValueAsString(new Told(cautions, reasons));
  }

  private record Told(List<String> cautions, List<String> reasons) {}

  private static RunSheet.Slot slot(JsonNode s) {
    List<RunSheet.Part> parts = new ArrayList<>();
    for (JsonNode p : s.path("parts")) {
      parts.add(
          new RunSheet.Part(
              form(p, Side.valueOf(p.path("side").asString())),
              RunDocument.JSON.treeToValue(p.path("dose"), Dose.class),
              null,
              null,
              null,
              List.of()));
    }
    Set<UUID> closers = new HashSet<>();
    s.path("closers").forEach(c -> closers.add(UUID.fromString(c.path("limitId").asString())));
    List<RunSheet.Choice> permitted = new ArrayList<>();
    s.path("next").forEach(n -> permitted.add(new RunSheet.Choice(List.of(form(n, Side.BOTH)))));
    List<Stage> stages = new ArrayList<>();
    for (String words : texts(s.path("stages"))) {
      Stage stage = stage(words);
      if (stage == null) {
        stages.clear(); // not in the words this version writes: none is better than a wrong one
        break;
      }
      stages.add(stage);
    }
    return new RunSheet.Slot(
        s.path("key").asString(),
        Block.valueOf(s.path("block").asString()),
        s.path("askedId").asString(),
        parts,
        s.path("pinned").asBoolean(false),
        closers,
        permitted,
        List.of(),
        stages,
        null,
        null,
        null);
  }

  private static RunSheet.Form form(JsonNode n, Side side) {
    String movement = text(n, "movementId");
    List<Modifier> modifiers = new ArrayList<>();
    n.path("modifiers").forEach(m -> modifiers.add(Modifier.valueOf(m.asString())));
    int range = n.path("range").asInt(100);
    return new RunSheet.Form(
        side,
        movement,
        text(n, "familyId"),
        movement == null ? null : name(n.path("title").asString(movement), modifiers, range),
        null,
        modifiers,
        range);
  }

  /** The movement's own name: the title less the modifiers that were written behind it. */
  private static String name(String title, List<Modifier> modifiers, int range) {
    String name = title;
    for (int i = modifiers.size() - 1; i >= 0; i--) {
      Modifier m = modifiers.get(i);
      String tail = ", " + (m == Modifier.RANGE ? "to " + range + " % of the range" : m.words);
      if (!name.endsWith(tail)) {
        return name;
      }
      name = name.substring(0, name.length() - tail.length());
    }
    return name;
  }

  private static @Nullable WorkShare share(JsonNode adapted) {
    Matcher m = SHARE.matcher(adapted.path("workNote").asString(""));
    return m.find()
        ? new WorkShare(Integer.parseInt(m.group(1)), Integer.parseInt(m.group(2)))
        : null;
  }

  private static @Nullable Stage stage(String words) {
    Matcher reps = STAGE_REPS.matcher(words);
    if (reps.matches()) {
      return new Stage(
          Integer.parseInt(reps.group(1)),
          range(reps.group(2)),
          Stage.Kind.REPS,
          Tempo.of(reps.group(3)));
    }
    Matcher pulses = STAGE_PULSES.matcher(words);
    if (pulses.matches()) {
      return new Stage(
          Integer.parseInt(pulses.group(1)),
          pulses.group(2).isEmpty() ? Stage.Part.FULL : range(pulses.group(2)),
          Stage.Kind.PULSES,
          new Tempo(0, 0, 1, 0));
    }
    Matcher hold = STAGE_HOLD.matcher(words);
    return hold.matches()
        ? new Stage(
            1,
            range(hold.group(1)),
            Stage.Kind.HOLD,
            new Tempo(0, Integer.parseInt(hold.group(2)), 0, 0))
        : null;
  }

  private static Stage.Part range(String word) {
    return Stage.Part.valueOf(word.toUpperCase(Locale.ROOT));
  }

  private static List<String> texts(JsonNode array) {
    List<String> all = new ArrayList<>();
    array.forEach(n -> all.add(n.asString()));
    return all;
  }

  private static @Nullable Integer number(JsonNode n, String field) {
    return n.hasNonNull(field) ? (Integer) n.get(field).asInt() : null;
  }

  private static @Nullable String text(JsonNode n, String field) {
    return n.hasNonNull(field) ? n.get(field).asString() : null;
  }
}
