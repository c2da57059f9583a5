package riposo.e2e;

import com.google.gson.JsonObject;
import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * Measures the tolerance of a client with 500 sessions: how long the server takes, and how long
 * until the page is painted with the processor slowed four times. Run by ./riposo bench tolerance;
 * its name keeps it out of the test run: a time is no test.
 */
class ToleranceSpeed {
  private static final int SESSIONS = 500;
  private static final int ASKED = 100;
  private static final int TIMES = 9;

  @Test
  void fiveHundredSessions() {
    JdbcTemplate sql = Studio.bean(JdbcTemplate.class);
    String client =
        sql.queryForObject("select id from client where name = 'Odile Varga'", String.class);
    int there = many(sql, client);
    Page page = Studio.marit(1280, 800);
    BrowserContext context = page.context();
    for (String span : List.of("weeks=12", "weeks=52", "")) {
      server(page, "/api/clients/" + client + "/tolerance?" + span, there + " sessions, " + span);
    }
    server(page, "/api/clients/" + client + "/tolerance/pull?weeks=12", "one family, 12 weeks");
    painted(context, "/clients/" + client + "/tolerance", "12 weeks");
    painted(context, "/clients/" + client + "/tolerance?span=all", "all");
  }

  /** Copies what the client has back in time until there are so many sessions. */
  private static int many(JdbcTemplate sql, String client) {
    List<Map<String, Object>> runs =
        sql.queryForList(
            "select p.run_id as id, p.on_date as day from run_person p where p.client_id = ? order by p.on_date",
            client);
    int there = runs.size();
    int back = 0;
    while (there < SESSIONS) {
      back += 161; // longer than what there is, so that days do not fall on each other
      for (Map<String, Object> run : runs) {
        if (there >= SESSIONS) {
          break;
        }
        String id = String.valueOf(run.get("id"));
        String copy = UUID.randomUUID().toString();
        copy(sql, "run", "id = '" + id + "'", Map.of("id", "'" + copy + "'"), back);
        for (String table : List.of("run_person", "run_set", "check_in", "family_verdict")) {
          String mine = " and client_id = '" + client + "'";
          copy(
              sql,
              table,
              "run_id = '" + id + "'" + mine,
              Map.of("id", "uuid()", "run_id", "'" + copy + "'"),
              back);
        }
        there++;
      }
    }
    sql.update(
        "update family_verdict set status = 'SUPERSEDED' where client_id = ? and status = 'WAITING'"
            + " and on_date < (select max(on_date) from run_person where client_id = ?)",
        client,
        client);
    return there;
  }

  private static void copy(
      JdbcTemplate sql, String table, String where, Map<String, String> other, int back) {
    Map<String, String> columns = new TreeMap<>();
    sql.queryForList(
            "select column_name from information_schema.columns where table_schema = database()"
                + " and table_name = ?",
            String.class,
            table)
        .forEach(c -> columns.put(c, "`" + c + "`"));
    columns.replaceAll(
        (c, v) ->
            other.containsKey(c)
                ? other.get(c)
                : List.of("on_date", "created_at", "opens_on", "expires_on", "decided_on")
                        .contains(c)
                    ? "date_sub(" + v + ", interval " + back + " day)"
                    : v);
    sql.execute(
        "insert into "
            + table
            + " ("
            + String.join(", ", columns.keySet().stream().map(c -> "`" + c + "`").toList())
            + ") select "
            + String.join(", ", columns.values())
            + " from "
            + table
            + " where "
            + where);
  }

  private static void server(Page page, String path, String what) {
    List<Double> all = new ArrayList<>();
    int bytes = 0;
    for (int i = 0; i < ASKED; i++) {
      long from = System.nanoTime();
      APIResponse r = page.request().get(Studio.url(path));
      all.add((System.nanoTime() - from) / 1e6);
      if (!r.ok()) {
        throw new IllegalStateException(path + ": " + r.status());
      }
      bytes = r.body().length;
      r.dispose();
    }
    Collections.sort(all);
    System.out.printf(
        "server, %s: p50 %.0f ms, p95 %.0f ms of %d, %d kB%n",
        what, all.get(ASKED / 2), all.get(ASKED * 95 / 100), ASKED, bytes / 1000);
  }

  private static void painted(BrowserContext context, String path, String what) {
    List<Integer> all = new ArrayList<>();
    for (int i = 0; i < TIMES; i++) {
      Page page = context.newPage();
      CDPSession browser = context.newCDPSession(page);
      page.navigate(Studio.url(path.replaceAll("/tolerance.*", "")));
      page.getByText("Tolerance").first().waitFor();
      JsonObject slow = new JsonObject();
      slow.addProperty("rate", 4);
      browser.send("Emulation.setCPUThrottlingRate", slow);
      Object ms =
          page.evaluate(
              """
              async (path) => {
                const from = performance.now()
                const link = [...document.querySelectorAll('nav a')].find((a) => a.textContent === 'Tolerance')
                link.click()
                const drawn = () => document.querySelectorAll('section svg[role=img]').length > 3
                await new Promise((go) => {
                  const look = () => (drawn() ? requestAnimationFrame(() => setTimeout(go)) : setTimeout(look, 5))
                  look()
                })
                const first = performance.now() - from
                if (!path.includes('span=all')) return first
                const again = performance.now()
                const all = [...document.querySelectorAll('[aria-label="Span shown"] button')].at(-1)
                const had = document.querySelector('section p').textContent
                all.click()
                await new Promise((go) => {
                  const look = () =>
                    document.querySelector('section p').textContent !== had
                      ? requestAnimationFrame(() => setTimeout(go))
                      : setTimeout(look, 5)
                  look()
                })
                return performance.now() - again
              }
              """,
              path);
      all.add((int) Math.round(((Number) ms).doubleValue()));
      page.close();
    }
    Collections.sort(all);
    System.out.println(
        "tolerance painted, processor slowed 4 times, "
            + what
            + ": median "
            + all.get(TIMES / 2)
            + " ms of "
            + all);
  }
}
