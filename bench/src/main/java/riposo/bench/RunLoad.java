package riposo.bench;

import java.io.IOException;
import java.util.Arrays;
import java.util.UUID;
import tools.jackson.databind.JsonNode;

/**
 * Starting a run and posting its events, one by one, against a running demo: {@code ./riposo bench
 * runs}. Prints median and 95th percentile of the whole request.
 */
public final class RunLoad {
  private static final int STARTS = 60;
  private static final int EVENTS = 30;
  private static final int WARM = 20;

  private RunLoad() {}

  /** One optional argument: the port of the demo, 8080 by default. */
  public static void main(String[] args) throws Exception {
    Desk desk = new Desk("http://127.0.0.1:" + (args.length > 0 ? args[0] : "8080"));
    desk.signIn("marit@lanternfield.example", "lantern-light");
    String client = desk.client("Measured " + System.currentTimeMillis());
    String plan = desk.plan();
    long[] starts = new long[STARTS];
    long[] events = new long[STARTS * EVENTS];
    for (int i = -WARM; i < STARTS; i++) {
      String check = desk.check(client);
      long t = System.nanoTime();
      JsonNode run = desk.start(client, plan, check);
      if (i >= 0) {
        starts[i] = System.nanoTime() - t;
      }
      for (int k = 0; k < EVENTS; k++) {
        String event = event(run, k);
        t = System.nanoTime();
        desk.post("/runs/" + run.path("id").asString() + "/events", "{\"events\":[" + event + "]}");
        if (i >= 0) {
          events[i * EVENTS + k] = System.nanoTime() - t;
        }
      }
    }
    print("starting a run", starts);
    print("posting an event", events);
  }

  /** The start, a set a time, the end. */
  static String event(JsonNode run, int k) throws IOException {
    String kind = k == 0 ? "START" : k == EVENTS - 1 ? "FINISH" : "ENTRY";
    return event(run, kind, k, "measure");
  }

  static String event(JsonNode run, String kind, int seq, String device) {
    // of a group in turn
    JsonNode person = run.path("people").get(seq % run.path("people").size());
    JsonNode slot =
        person
            .path("slots")
            .valueStream()
            .filter(s -> s.path("block").asString().equals("WORK"))
            .findFirst()
            .orElseThrow();
    String entry =
        kind.equals("ENTRY")
            ? ",\"person\":\"%s\"".formatted(person.path("clientId").asString())
                + ",\"entry\":{\"slotKey\":\"%s\",\"round\":%d,\"side\":\"%s\",\"effort\":%d,\"pain\":0}"
                    .formatted(
                        slot.path("key").asString(),
                        seq % 900,
                        slot.path("parts").get(0).path("side").asString(),
                        seq % 8)
            : "";
    return "{\"id\":\"%s\",\"at\":%d,\"seq\":%d,\"kind\":\"%s\",\"device\":\"%s\"%s}"
        .formatted(UUID.randomUUID(), System.currentTimeMillis(), seq, kind, device, entry);
  }

  private static void print(String what, long[] times) {
    Arrays.sort(times);
    System.out.printf(
        "%s over HTTP, %d times: median %.1f ms, p95 %.1f ms, p99 %.1f ms%n",
        what,
        times.length,
        times[times.length / 2] / 1e6,
        times[times.length * 95 / 100] / 1e6,
        times[times.length * 99 / 100] / 1e6);
  }
}
