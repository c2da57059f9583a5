package riposo.server.run.internal;

import java.nio.charset.StandardCharsets;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import riposo.core.run.RunEvent;
import riposo.core.run.StopSign;
import riposo.server.platform.Json;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/**
 * Reads events of a device one by one, so that one that cannot be right never holds back the next.
 * A STOP is always read: what is wrong with it is mended and marked.
 */
final class EventReader {
  private static final long DAY = 86_400_000L;

  private final Json json;
  private final UUID runId;
  private final Set<String> slots;
  private final int segments;
  private final long begun;
  private final long now;

  /** An event, or the sentence of why it is refused. */
  record Read(@Nullable UUID id, @Nullable RunEvent event, @Nullable String refused) {}

  /**
   * @param begun when the run was started, server time in ms
   * @param now server time in ms
   */
  EventReader(Json json, UUID runId, Set<String> slots, int segments, long begun, long now) {
    this.json = json;
    this.runId = runId;
    this.slots = slots;
    this.segments = segments;
    this.begun = begun;
    this.now = now;
  }

  static boolean isStop(JsonNode n) {
    return "STOP".equalsIgnoreCase(n.path("kind").asString(""));
  }

  Read read(JsonNode n) {
    if (isStop(n)) {
      RunEvent stop = stop(n);
      return new Read(stop.id(), stop, null);
    }
    UUID id = id(n);
    if (!n.isObject()) {
      return new Read(id, null, "This event cannot be read.");
    }
    RunEvent e;
    try {
      e = json.read(n.toString(), RunEvent.class);
    } catch (JacksonException x) {
      Throwable cause = x;
      while (cause.getCause() != null) {
        cause = cause.getCause();
      }
      String why =
          cause instanceof IllegalArgumentException
              ? String.valueOf(cause.getMessage())
              : "This event cannot be read";
      return new Read(id, null, Character.toUpperCase(why.charAt(0)) + why.substring(1) + ".");
    }
    String why = wrong(e);
    return new Read(id, why == null ? e : null, why);
  }

  private RunEvent stop(JsonNode n) {
    UUID id = id(n);
    JsonNode at = n.path("at");
    boolean given = at.isIntegralNumber() && at.canConvertToLong();
    long device = given ? at.asLong() : 0;
    boolean right = given && device >= begun - DAY && device <= now + DAY;
    String text = text(n, "text", 400);
    String sign = text(n, "sign", 40);
    return new RunEvent(
        id == null
            ? UUID.nameUUIDFromBytes((runId + n.toString()).getBytes(StandardCharsets.UTF_8))
            : id,
        right ? device : now,
        n.path("seq").isInt() ? n.path("seq").asInt() : 0,
        RunEvent.Kind.STOP,
        null,
        null,
        null,
        text == null ? StopSign.of(sign, null).words : text,
        sign == null ? StopSign.of(null, text).name() : sign,
        text(n, "device", 40),
        right ? null : (Long) device);
  }

  /** The id a STOP takes when its own belongs to another run. */
  UUID another(UUID id) {
    return UUID.nameUUIDFromBytes((runId + "/" + id).getBytes(StandardCharsets.UTF_8));
  }

  private static @Nullable UUID id(JsonNode n) {
    try {
      return UUID.fromString(n.path("id").asString(""));
    } catch (IllegalArgumentException e) {
      return null;
    }
  }

  private static @Nullable String text(JsonNode n, String field, int most) {
    String s = n.path(field).isString() ? n.path(field).asString().trim() : "";
    return s.isEmpty() ? null : s.substring(0, Math.min(most, s.length()));
  }

  private @Nullable String wrong(RunEvent e) {
    if (e.id() == null || e.kind() == null) {
      return "An event needs its id and kind.";
    }
    if (e.at() < now - 400 * DAY || e.at() > now + 400 * DAY) {
      return "The device's clock is more than a year off.";
    }
    if (e.kind() == RunEvent.Kind.ENTRY
        && (e.entry() == null || !slots.contains(e.entry().slotKey()))) {
      return "This run has no such slot.";
    }
    if (e.kind() == RunEvent.Kind.GOTO
        && (e.segment() == null || e.segment() < 0 || e.segment() >= segments)) {
      return "This run has no such segment.";
    }
    if (e.kind() == RunEvent.Kind.EXTEND
        && (e.seconds() == null || e.seconds() < 1 || e.seconds() > 600)) {
      return "Rest is added by 1 to 600 s.";
    }
    return e.text() != null && e.text().length() > 400
            || e.device() != null && e.device().length() > 40
        ? "At most 400 characters of text, 40 of the device."
        : null;
  }
}
