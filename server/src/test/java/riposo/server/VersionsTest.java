package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;

/** Two edits at once of whatever a professional changes: one is kept, the other is told. */
class VersionsTest extends ApiDesk {
  private static final String ROOM =
      "{\"name\":\"%s\",\"room\":{\"chairs\":[],\"dumbbells\":[],\"standIns\":[],\"bands\":[],\"stepCm\":[],\"wall\":true,\"things\":[],\"machines\":[]}}";

  /** Sends two changes at once, both made on what was stored before either. */
  private List<Answer> atOnce(String method, String path, long version, String... two)
      throws Exception {
    CyclicBarrier together = new CyclicBarrier(two.length);
    ExecutorService both = Executors.newFixedThreadPool(two.length);
    try {
      List<Callable<Answer>> sent = new ArrayList<>();
      for (String body : two) {
        sent.add(
            () -> {
              together.await();
              return call(me, method, path, body, version);
            });
      }
      List<Answer> answers = new ArrayList<>();
      for (Future<Answer> f : both.invokeAll(sent)) {
        answers.add(f.get());
      }
      return answers;
    } finally {
      both.shutdownNow();
    }
  }

  private void oneIsKeptAndOneIsTold(String what, List<Answer> answers) {
    assertThat(answers)
        .as("%s: %s", what, answers)
        .satisfiesExactlyInAnyOrder(
            a -> assertThat(a.status()).isLessThan(300),
            a -> {
              assertThat(a.status()).isEqualTo(409);
              assertThat(a.code()).isEqualTo("stale");
            });
  }

  private String group(UUID... members) {
    String ids =
        java.util.Arrays.stream(members)
            .map(m -> "\"" + m + "\"")
            .collect(java.util.stream.Collectors.joining(","));
    return "{\"name\":\"Steady\",\"lanes\":3,\"members\":[%s]}".formatted(ids);
  }

  @Test
  void whoIsInAGroupCannotBeChangedByTwoAtOnce() throws Exception {
    UUID ada = anyClient();
    UUID bo = post("/clients", client("Bo Test", "1950-02-02")).id();
    Answer made = post("/groups", group());
    String path = "/groups/" + made.id();
    long version = get(path).body().path("version").asLong();
    oneIsKeptAndOneIsTold("members", atOnce("PUT", path, version, group(ada), group(bo)));
    assertThat(get(path).body().path("members").size()).isEqualTo(1);

    // one after the other, nothing changed but who is in it
    Answer now = get(path);
    Answer all = call(me, "PUT", path, group(ada, bo), now.body().path("version").asLong());
    assertThat(all.status()).as(all.text()).isEqualTo(200);
    assertThat(all.body().path("version").asLong())
        .as("the version shown is the one stored")
        .isEqualTo(get(path).body().path("version").asLong())
        .isGreaterThan(now.body().path("version").asLong());
    Answer late = call(me, "PUT", path, group(bo), now.body().path("version").asLong());
    assertThat(late.code()).isEqualTo("stale");
    assertThat(late.body().path("theirs").path("members").size()).isEqualTo(2);
    assertThat(late.body().path("yours").path("members").size()).isEqualTo(1);
    assertThat(get(path).body().path("members").size()).isEqualTo(2);
  }

  @Test
  void aRoomAndWhereAClientTrainsCannotBeChangedByTwoAtOnce() throws Exception {
    Answer den = post("/rooms", ROOM.formatted("Den"));
    UUID hall = post("/rooms", ROOM.formatted("Hall")).id();
    long version = den.body().path("version").asLong();
    String path = "/rooms/" + den.id();
    oneIsKeptAndOneIsTold(
        "room",
        atOnce("PUT", path, version, ROOM.formatted("Den below"), ROOM.formatted("Den above")));
    assertThat(call(me, "DELETE", path, null, version).code())
        .as("removed on what it was before")
        .isEqualTo("stale");

    UUID ada = anyClient();
    String place = "/clients/" + ada + "/place";
    oneIsKeptAndOneIsTold(
        "place",
        atOnce(
            "PUT",
            place,
            get("/clients/" + ada).body().path("version").asLong(),
            "{\"roomId\":\"" + den.id() + "\"}",
            "{\"roomId\":\"" + hall + "\"}"));
  }

  @Test
  void settingsCannotBeChangedByTwoAtOnce() throws Exception {
    String form =
        "{\"name\":\"%s\",\"zone\":\"Europe/Oslo\",\"emergencyNumber\":\"112\",\"massUnit\":\"KG\",\"glucoseUnit\":\"MMOL\"}";
    long version = get("/settings").body().path("version").asLong();
    oneIsKeptAndOneIsTold(
        "settings",
        atOnce("PUT", "/settings", version, form.formatted("Hall"), form.formatted("House")));
    Answer late = call(me, "PUT", "/settings", form.formatted("Home"), version);
    assertThat(late.code()).isEqualTo("stale");
    assertThat(late.body().path("theirs").path("name").asString()).startsWith("H");
    assertThat(late.body().path("yours").path("name").asString()).isEqualTo("Home");
    assertThat(call(me, "PUT", "/settings", form.formatted("Home"), null).pointers())
        .containsExactly("/If-Match");
    assertThat(call(me, "PUT", "/settings", form.formatted("Home"), "new").pointers())
        .containsExactly("/If-Match");
    assertThat(call(me, "PUT", "/settings", form.formatted("Home"), version + 1).status())
        .isEqualTo(200);
  }

  @Test
  void aClientALimitAndAPlanCannotBeChangedByTwoAtOnce() throws Exception {
    UUID ada = anyClient();
    oneIsKeptAndOneIsTold(
        "client",
        atOnce(
            "PUT",
            "/clients/" + ada,
            get("/clients/" + ada).body().path("version").asLong(),
            client("Ada One", "1960-01-01"),
            client("Ada Two", "1960-01-01")));
    String limit =
        "{\"axisId\":\"joint.shoulder-elevation.any\",\"side\":\"BOTH\",\"cap\":%d,\"strength\":\"ADVISED\",\"source\":\"ours\",\"from\":\"2026-01-01\"}";
    UUID set = post("/clients/" + ada + "/limits", limit.formatted(80)).id();
    oneIsKeptAndOneIsTold(
        "limit", atOnce("PUT", "/limits/" + set, 0, limit.formatted(70), limit.formatted(60)));
    UUID plan = post("/plans", PLAN).id();
    oneIsKeptAndOneIsTold(
        "plan",
        atOnce(
            "PUT",
            "/plans/" + plan,
            get("/plans/" + plan).body().path("version").asLong(),
            PLAN.replace("\"name\":\"Plan\"", "\"name\":\"Plan A\""),
            PLAN.replace("\"name\":\"Plan\"", "\"name\":\"Plan B\"")));
  }
}
