package riposo.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DelegatingDataSource;
import tools.jackson.databind.JsonNode;

/** How many statements a page takes does not grow with clients, runs or verdicts. */
@Import(FlatTest.Counted.class)
class FlatTest extends ApiDesk {
  private static final AtomicInteger STATEMENTS = new AtomicInteger();

  /** Counts what is sent to the database. */
  @TestConfiguration
  static class Counted {
    @Bean
    static BeanPostProcessor counting() {
      return new BeanPostProcessor() {
        @Override
        public Object postProcessAfterInitialization(Object bean, String name) {
          return bean instanceof DataSource d && !(bean instanceof DelegatingDataSource)
              ? new DelegatingDataSource(d) {
                @Override
                public Connection getConnection() throws java.sql.SQLException {
                  return counted(Connection.class, super.getConnection());
                }
              }
              : bean;
        }
      };
    }
  }

  /** The same, with every execution counted. */
  @SuppressWarnings("unchecked")
  private static <T> T counted(Class<T> type, T of) {
    return (T)
        Proxy.newProxyInstance(
            FlatTest.class.getClassLoader(),
            new Class<?>[] {type},
            (proxy, method, args) -> {
              if (of instanceof Statement && method.getName().startsWith("execute")) {
                STATEMENTS.incrementAndGet();
              }
              try {
                Object result = method.invoke(of, args);
                return result instanceof Statement
                    ? counted((Class<Object>) (Class<?>) method.getReturnType(), result)
                    : result;
              } catch (InvocationTargetException e) {
                throw e.getTargetException();
              }
            });
  }

  @Autowired JdbcClient jdbc;

  private UUID plan;
  private UUID group;
  private final List<UUID> clients = new ArrayList<>();

  /** So many more clients, each with so many sessions held, one booked today, one in the group. */
  private void grow(int people, int sessions) throws Exception {
    LocalDate today = LocalDate.now(java.time.ZoneId.of("Europe/Oslo"));
    for (int i = 0; i < people; i++) {
      UUID id = screened("joint.any", "yes", "knee.pain", "yes");
      clients.add(id);
      for (int s = 0; s < sessions; s++) {
        clock.shift(to(10).minusDays(3L * (sessions - s)));
        held(id);
      }
      clock.shift(to(12));
      assertThat(
              post(
                      "/appointments",
                      "{\"clientId\":\"%s\",\"planId\":\"%s\",\"date\":\"%s\",\"time\":\"%02d:00\"}"
                          .formatted(id, plan, today, 8 + i))
                  .status())
          .isEqualTo(201);
    }
    String members = clients.stream().map(c -> "\"" + c + "\"").collect(Collectors.joining(","));
    String form =
        "{\"name\":\"All\",\"planId\":\"%s\",\"lanes\":2,\"weekday\":%d,\"time\":\"07:00\",\"members\":[%s]}"
            .formatted(plan, today.getDayOfWeek().getValue(), members);
    if (group == null) {
      group = post("/groups", form).id();
    } else {
      Answer now = get("/groups/" + group);
      assertThat(
              call(me, "PUT", "/groups/" + group, form, now.body().path("version").asLong())
                  .status())
          .isEqualTo(200);
    }
  }

  private void held(UUID client) throws Exception {
    Answer run = start(client, plan, "");
    assertThat(run.status()).as(run.text()).isEqualTo(201);
    long t = clock.millis();
    List<String> events = new ArrayList<>(List.of(event("START", t, 0, "")));
    for (JsonNode slot : run.body().path("people").get(0).path("slots")) {
      if (slot.path("block").asString().equals("WORK")) {
        events.add(
            event(
                "ENTRY",
                t + 1000L * events.size(),
                events.size(),
                ",\"person\":\"%s\",\"entry\":{\"slotKey\":\"%s\",\"round\":1,\"side\":\"%s\",\"effort\":5,\"pain\":0}"
                    .formatted(
                        client,
                        slot.path("key").asString(),
                        slot.path("parts").get(0).path("side").asString())));
      }
    }
    events.add(event("FINISH", t + 600_000, 99, ""));
    Answer told =
        post("/runs/" + run.id() + "/events", "{\"events\":[" + String.join(",", events) + "]}");
    assertThat(told.status()).as(told.text()).isEqualTo(200);
    assertThat(post("/runs/" + run.id() + "/after", "{\"effort\":5,\"feel\":\"GOOD\"}").status())
        .isEqualTo(200);
  }

  private Map<String, Integer> counted() throws Exception {
    // nothing that was kept is good any more: another plan in the studio, something of every client
    // changed, another day in between
    post("/plans", PLAN);
    jdbc.sql("update client_stamp set stamp = stamp + 1").update();
    clock.shift(to(12).plusDays(1));
    get("/day");
    clock.shift(to(12));
    return again();
  }

  private Map<String, Integer> again() throws Exception {
    UUID one = clients.get(0);
    Map<String, String> pages = new LinkedHashMap<>();
    pages.put("day sheet", "/day");
    pages.put("clients", "/client-list");
    pages.put("names", "/client-names");
    pages.put("all clients", "/clients");
    pages.put("who trains where", "/clients/trains");
    pages.put("group sheet", "/groups/" + group + "/sheet");
    pages.put("groups", "/groups");
    pages.put("calendar", "/calendar.ics");
    pages.put("tolerance", "/clients/" + one + "/tolerance");
    pages.put("adapted plan", "/clients/" + one + "/adapted/" + plan);
    pages.put("runs", "/clients/" + one + "/runs");
    pages.put("readiness", "/clients/" + one + "/readiness");
    pages.put("week", "/clients/" + one + "/adapted/" + plan + "/week");
    pages.put("limits", "/clients/" + one + "/limits");
    pages.put("outbox", "/outbox");
    pages.put("record of changes", "/audit");
    Map<String, Integer> all = new LinkedHashMap<>();
    for (Map.Entry<String, String> p : pages.entrySet()) {
      int before = STATEMENTS.get();
      Answer a = get(p.getValue());
      assertThat(a.status()).as(p.getKey() + ": " + a.text()).isEqualTo(200);
      all.put(p.getKey(), STATEMENTS.get() - before);
    }
    return all;
  }

  @Test
  void aPracticeThreeTimesTheSizeTakesNoMoreStatements() throws Exception {
    clock.shift(to(12));
    plan = post("/plans", PLAN).id();
    grow(3, 3);
    Map<String, Integer> small = counted();
    UUID first = clients.get(0);
    grow(6, 3);
    for (int s = 0; s < 6; s++) {
      clock.shift(to(10).minusDays(40 - 2L * s));
      held(first);
    }
    clock.shift(to(12));
    Map<String, Integer> large = counted();
    assertThat(small).allSatisfy((page, n) -> assertThat(n).as(page).isPositive());
    assertThat(large)
        .allSatisfy(
            (page, n) ->
                assertThat(n)
                    .as("%s: %d of three clients, %d of nine", page, small.get(page), n)
                    .isLessThanOrEqualTo(small.get(page)));
    assertThat(large).allSatisfy((page, n) -> assertThat(n).as(page).isLessThanOrEqualTo(45));
    // what nothing changed since is read again with fewer still
    assertThat(again().get("day sheet")).isLessThan(large.get("day sheet"));
  }
}
