package riposo.server.platform;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;

/** Expected failures with a stable code; become RFC 9457 problem responses. */
public final class Problems extends RuntimeException {
  /** A problem at one field: RFC 6901 pointer into the request, and a sentence. */
  public record Field(String pointer, String detail) {}

  private final transient HttpStatus status;
  private final String code;
  private final transient List<Field> fields;
  private final transient Map<String, Object> more;
  private int again;

  private Problems(
      HttpStatus status, String code, String detail, List<Field> fields, Map<String, Object> more) {
    super(detail);
    this.status = status;
    this.code = code;
    this.fields = fields;
    this.more = more;
  }

  public static Problems notFound(String what, Object id) {
    return new Problems(
        HttpStatus.NOT_FOUND,
        "not-found",
        "There is no such " + what + " here.",
        List.of(),
        Map.of("id", String.valueOf(id)));
  }

  /** 404 with a sentence of its own, telling nothing of what is there. */
  public static Problems absent(String detail) {
    return new Problems(HttpStatus.NOT_FOUND, "not-found", detail, List.of(), Map.of());
  }

  /** 422: the request is understood and a field cannot be right. */
  public static Problems field(String pointer, String detail) {
    return fields(List.of(new Field(pointer, detail)));
  }

  public static Problems fields(List<Field> fields) {
    String detail =
        fields.size() == 1 ? fields.get(0).detail() : fields.size() + " fields need another look.";
    return new Problems(HttpStatus.UNPROCESSABLE_CONTENT, "invalid", detail, fields, Map.of());
  }

  /** 409 with both versions: what is stored and what was sent. */
  public static Problems stale(Object theirs, Object yours) {
    return new Problems(
        HttpStatus.CONFLICT,
        "stale",
        "Someone changed this since you opened it. Both versions are here; nothing was saved.",
        List.of(),
        Map.of("theirs", theirs, "yours", yours));
  }

  /** 409 for what the rules do not allow now. */
  public static Problems refused(String code, String detail) {
    return new Problems(HttpStatus.CONFLICT, code, detail, List.of(), Map.of());
  }

  public static Problems refused(String code, String detail, List<String> reasons) {
    return new Problems(HttpStatus.CONFLICT, code, detail, List.of(), Map.of("reasons", reasons));
  }

  /** 409 with more for the page to go on from. */
  public static Problems refused(String code, String detail, Map<String, Object> more) {
    return new Problems(HttpStatus.CONFLICT, code, detail, List.of(), more);
  }

  public static Problems gone(String code, String detail) {
    return new Problems(HttpStatus.GONE, code, detail, List.of(), Map.of());
  }

  /** 429: too often in too short a time. */
  public static Problems tooMany(String detail) {
    return new Problems(HttpStatus.TOO_MANY_REQUESTS, "too-many", detail, List.of(), Map.of());
  }

  /** 429 with when to come again. */
  public static Problems tooMany(String detail, Duration wait) {
    return tooMany(detail).again((int) Math.min(Integer.MAX_VALUE, wait.toSeconds() + 1));
  }

  private Problems again(int seconds) {
    again = seconds;
    return this;
  }

  /** Seconds after which it may be tried again; 0 where that is not told. */
  public int again() {
    return again;
  }

  /** Seconds after which somebody who found the server busy comes again. */
  public static final int AGAIN_SECONDS = 3;

  /** 503: too many ask for much at once. */
  public static Problems busy() {
    return new Problems(
            HttpStatus.SERVICE_UNAVAILABLE,
            "busy",
            "Many ask for much at this moment. Nothing was changed; try again in "
                + AGAIN_SECONDS
                + " seconds.",
            List.of(),
            Map.of())
        .again(AGAIN_SECONDS);
  }

  public static Problems unauthorized(String detail) {
    return new Problems(HttpStatus.UNAUTHORIZED, "sign-in", detail, List.of(), Map.of());
  }

  public HttpStatus status() {
    return status;
  }

  public String code() {
    return code;
  }

  public List<Field> fields() {
    return fields;
  }

  public Map<String, Object> more() {
    return more;
  }

  /** Runs a constructor of core and turns its refusal into a problem at the field. */
  public static <T> T at(String pointer, java.util.function.Supplier<T> make) {
    try {
      return make.get();
    } catch (IllegalArgumentException e) {
      @Nullable String message = e.getMessage();
      throw field(pointer, message == null ? "This value cannot be right." : sentence(message));
    }
  }

  private static String sentence(String s) {
    String upper = Character.toUpperCase(s.charAt(0)) + s.substring(1);
    return upper.endsWith(".") ? upper : upper + ".";
  }
}
