package riposo.server.run.internal;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.catalogue.EventDocument;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.run.Stamp;
import riposo.core.run.StopSign;
import riposo.server.platform.Json;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/**
 * Reads events of a device one by one, so that one that cannot be right never holds back the next.
 * A STOP is always read: what is wrong with it is mended and marked. A time that cannot be right is
 * the server's.
 */
final class Intake {
  private static final long DAY = 86_400_000L;

  private final Json json;
  private final UUID runId;
  private final RunSheet sheet;
  private final @Nullable UUID only;
  private final long begun;
  private final long now;
  private final long ahead;

  /**
   * An event as it was sent.
   *
   * @param event null where it is refused
   * @param refused the sentence of why; null where it is not
   * @param sent SHA-256 of what was sent, whatever the order of its fields
   */
  record Read(
      @Nullable UUID id,
      boolean stop,
      @Nullable RunEvent event,
      @Nullable String refused,
      String sent) {}

  /**
   * @param begun when the run was started, server time in ms
   * @param now server time in ms
   * @param clock what the device's clock says at the sending, in ms; null where it does not tell
   */
  Intake(Json json, UUID runId, RunSheet sheet, long begun, long now, @Nullable Long clock) {
    this.json = json;
    this.runId = runId;
    this.sheet = sheet;
    this.only = sheet.only().map(RunSheet.Person::id).orElse(null);
    this.begun = begun;
    this.now = now;
    this.ahead = clock == null || Math.abs(clock - now) <= DAY ? 0 : clock - now;
  }

  Read read(JsonNode n) {
    String sent = hash(n);
    if ("STOP".equalsIgnoreCase(n.path("kind").asString(""))) {
      RunEvent.Stop stop = stop(n);
      return new Read(stop.id(), true, stop, null, sent);
    }
    UUID id = id(n);
    try {
      if (!n.isObject()) {
        return new Read(id, false, null, "This event cannot be read.", sent);
      }
      RunEvent e = json.read(n.toString(), EventDocument.class).toEvent(only);
      String why = wrong(e);
      return new Read(id, false, why == null ? timed(e) : null, why, sent);
    } catch (JacksonException x) {
      return new Read(id, false, null, "This event cannot be read.", sent);
    } catch (IllegalArgumentException x) {
      return new Read(id, false, null, sentence(x), sent);
    }
  }

  private static String sentence(IllegalArgumentException x) {
    String why = String.valueOf(x.getMessage());
    return Character.toUpperCase(why.charAt(0)) + why.substring(1) + ".";
  }

  private RunEvent.Stop stop(JsonNode n) {
    UUID id = id(n);
    JsonNode at = n.path("at");
    boolean given = at.isIntegralNumber() && at.canConvertToLong();
    String text = text(n, "text", 400);
    String sign = text(n, "sign", 40);
    StopSign known = StopSign.of(sign, text);
    String device = text(n, "device", 40);
    UUID person = id(n, "person");
    Stamp stamp =
        new Stamp(
            id == null ? another(n.toString()) : id,
            device == null || device.equals(Stamp.SERVER) ? Stamp.OLD : device,
            given ? at.asLong() : 0,
            n.path("seq").isInt() ? Math.max(0, n.path("seq").asInt()) : 0);
    RunEvent.Stop stop =
        new RunEvent.Stop(
            stamp,
            person != null && sheet.person(person).isPresent() ? person : only,
            known,
            text != null ? text : known == StopSign.OTHER && sign != null ? sign : known.words,
            true);
    return (RunEvent.Stop) timed(stop);
  }

  /** The event at a time that can be right: told apart from the device's by a day and more. */
  private RunEvent timed(RunEvent e) {
    if (e.at() >= begun - DAY && e.at() <= now + DAY) {
      return e;
    }
    long meant = ahead == 0 ? now : e.at() - ahead;
    return e.with(e.stamp().at(Math.max(begun, Math.min(now, meant))));
  }

  /** The id a STOP takes when its own is taken by something else. */
  UUID another(String of) {
    return UUID.nameUUIDFromBytes((runId + "/" + of).getBytes(StandardCharsets.UTF_8));
  }

  private static @Nullable UUID id(JsonNode n) {
    return id(n, "id");
  }

  private static @Nullable UUID id(JsonNode n, String field) {
    try {
      return UUID.fromString(n.path(field).asString(""));
    } catch (IllegalArgumentException e) {
      return null;
    }
  }

  private static @Nullable String text(JsonNode n, String field, int most) {
    String s = n.path(field).isString() ? n.path(field).asString().trim() : "";
    return s.isEmpty() ? null : s.substring(0, Math.min(most, s.length()));
  }

  private @Nullable String wrong(RunEvent e) {
    if (e.stamp().device().equals(Stamp.SERVER)) {
      return "A device is not named so.";
    }
    if (e instanceof RunEvent.Joined) {
      return "The studio takes somebody in, not a device.";
    }
    if (e instanceof RunEvent.Logged l) {
      return sheet.refuses(l.person(), l.entry());
    }
    if (e instanceof RunEvent.Changed c) {
      return sheet.refuses(c.person(), c.change());
    }
    UUID whose = EventDocument.person(e);
    if (whose != null && sheet.person(whose).isEmpty()) {
      return "This person is not in the run.";
    }
    return e instanceof RunEvent.GoTo g && g.segment() >= sheet.timeline().segments().size()
        ? "This run has no such segment."
        : null;
  }

  private static String hash(JsonNode n) {
    try {
      byte[] text = sorted(n).getBytes(StandardCharsets.UTF_8);
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(text));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  private static String sorted(JsonNode n) {
    if (n.isObject()) {
      Map<String, String> fields = new TreeMap<>();
      n.propertyStream()
          .filter(p -> !p.getValue().isNull())
          .forEach(p -> fields.put(p.getKey(), sorted(p.getValue())));
      return fields.toString();
    }
    return n.isArray() ? n.valueStream().map(Intake::sorted).toList().toString() : n.toString();
  }
}
