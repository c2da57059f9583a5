package riposo.server;

import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import riposo.core.adapt.Kitbag;
import riposo.core.adapt.Standing;
import riposo.core.dose.Weight;
import riposo.core.movement.Kit;
import riposo.core.plan.Block;
import riposo.core.plan.Format;
import riposo.core.plan.Mobility;
import riposo.core.plan.Segment;
import riposo.core.plan.SessionPlan;
import riposo.core.plan.Slot;
import riposo.core.run.Entry;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.run.Stamp;
import riposo.core.screening.Pressure;
import riposo.core.screening.Question;
import riposo.core.screening.Screening;
import riposo.core.today.TodayCheck;
import riposo.core.tolerance.NextDay;
import riposo.core.tolerance.School;
import riposo.server.adapt.AdaptedPlans;
import riposo.server.adapt.StandingSource;
import riposo.server.checkin.CheckIns;
import riposo.server.client.Clients;
import riposo.server.day.Appointments;
import riposo.server.limit.Limits;
import riposo.server.plan.Plans;
import riposo.server.platform.AsOfClock;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;
import riposo.server.tolerance.Verdicts;

/** A client, a plan and the days that pass, on a real MariaDB. */
public abstract class PathDesk {
  @DynamicPropertySource
  static void database(DynamicPropertyRegistry registry) {
    registry.add(
        "spring.datasource.url", () -> System.getenv("RIPOSO_TEST_DB_BASE") + "riposo_test");
  }

  @Autowired protected Studios studios;
  @Autowired protected Clients clients;
  @Autowired protected Readiness screening;
  @Autowired protected Limits limits;
  @Autowired protected Plans plans;
  @Autowired protected AdaptedPlans adapted;
  @Autowired protected StandingSource standings;
  @Autowired protected Runs runs;
  @Autowired protected CheckIns checkIns;
  @Autowired protected Verdicts verdicts;
  @Autowired protected Appointments appointments;
  @Autowired protected AsOfClock clock;
  @Autowired protected PlatformTransactionManager transactions;

  protected static final TodayCheck.Given GOOD = with(null);

  protected static TodayCheck.Given with(Pressure p) {
    return TodayCheck.Given.well(p, null, 0);
  }

  protected UUID studio;
  protected UUID client;
  protected UUID plan;

  @BeforeEach
  protected void someone() {
    studio = studios.create("Path", "Europe/Oslo", "112");
    client = in(() -> clients.add(who("Ada Path", School.PAIN_FREE)));
    plan =
        in(
            () ->
                plans.add(
                    "Plan",
                    SessionPlan.of(
                        List.of(new Slot("w", "march", 300)),
                        List.of(
                            new Slot("s1", "counter-squat", null),
                            new Slot("s2", "seated-hinged-row", null),
                            new Slot("s3", "wall-push-up", null),
                            new Slot("s4", "side-raise", null),
                            new Slot("s5", "heel-raise-held", null)),
                        Format.intervals(40, 20, 2),
                        List.of(new Slot("c", "seated-breathing", 180)))));
  }

  @AfterEach
  protected void now() {
    clock.shift(Duration.ZERO);
  }

  protected static Clients.NewClient who(String name, School school) {
    return new Clients.NewClient(
        name,
        LocalDate.of(1960, 1, 1),
        null,
        null,
        null,
        Mobility.USUAL,
        school,
        school == School.MONITORED ? "tendon, Dr. X" : null,
        0,
        6,
        new Kitbag(EnumSet.allOf(Kit.class), List.of(new Weight(2000, 2), new Weight(3000, 2))));
  }

  protected <T> T in(Supplier<T> work) {
    return StudioContext.within(studio, "tester", work);
  }

  protected void does(Runnable what) {
    in(
        () -> {
          what.run();
          return true;
        });
  }

  /** Where something may be written nothing is kept, nor taken from what was. */
  protected <T> T anew(Supplier<T> work) {
    TransactionTemplate tx = new TransactionTemplate(transactions);
    return in(
        () ->
            tx.execute(
                s -> {
                  s.setRollbackOnly();
                  return work.get();
                }));
  }

  protected void screened(String... pairs) {
    Map<String, String> answers = new HashMap<>();
    for (Question q : Screening.questions()) {
      if (q.kind() == Question.Kind.YES_NO) {
        answers.put(q.id(), q.protective() ? "yes" : "no");
      }
    }
    for (int i = 0; i < pairs.length; i += 2) {
      answers.put(pairs[i], pairs[i + 1]);
    }
    in(
        () -> {
          screening.acceptAll(screening.take(client, answers, "Ada Path"));
          return true;
        });
  }

  /** A whole session: every set with this effort, pain, and repetitions over the dose. */
  protected UUID session(int effort, int pain, int over) {
    UUID run = in(() -> runs.start(client, plan, GOOD, null));
    in(
        () -> {
          RunSheet sheet = runs.sheet(run);
          RunSheet.Person who = sheet.people().get(0);
          List<RunEvent> events = new ArrayList<>();
          long t = clock.millis();
          events.add(new RunEvent.Start(stamp(t, 0)));
          for (Segment g : sheet.timeline().segments()) {
            if (g.block() == Block.WORK && g.kind() == Segment.Kind.WORK) {
              Integer asked = who.slot(g.slotKey()).orElseThrow().parts().get(0).dose().reps();
              Entry e =
                  Entry.of(g.slotKey(), g.round(), g.side())
                      .effort(effort)
                      .pain(pain, pain > 0 ? "knee" : null)
                      .reps(asked == null ? null : asked + over)
                      .formLost(false);
              events.add(
                  new RunEvent.Logged(
                      stamp(t + g.endExclusive() * 1000L, events.size()), who.id(), e));
            }
          }
          events.add(new RunEvent.Finish(stamp(t + sheet.timeline().total() * 1000L, 999)));
          runs.record(run, events);
          runs.close(run, effort, "GOOD");
          return true;
        });
    return run;
  }

  protected static Stamp stamp(long at, int seq) {
    return new Stamp(UUID.randomUUID(), "tablet", at, seq);
  }

  /** Ends a run at once: nobody starts a second while one is open. */
  protected UUID over(UUID run) {
    in(
        () -> {
          runs.record(run, List.of(new RunEvent.Finish(stamp(clock.millis(), 0))));
          return true;
        });
    return run;
  }

  protected void morning(UUID run, int pain, NextDay.Compared compared, NextDay.Sign... signs) {
    in(
        () -> {
          checkIns.answer(run, client, new NextDay(pain, compared, false, Set.of(signs)));
          return true;
        });
  }

  protected void day(int n) {
    clock.shift(Duration.ofDays(n));
  }

  protected Standing standing(String family) {
    return in(() -> standings.standings(client)).get(family);
  }

  protected void acceptAll() {
    in(
        () -> {
          verdicts.acceptAll(client);
          return true;
        });
  }

  protected AdaptedPlans.SlotView slot(String key) {
    return in(() -> adapted.view(client, plan, studios.today())).slots().stream()
        .filter(s -> s.key().equals(key))
        .findFirst()
        .orElseThrow();
  }
}
