package riposo.e2e;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.jdbc.core.JdbcTemplate;
import riposo.core.adapt.Kitbag;
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
import riposo.core.screening.Question;
import riposo.core.screening.Screening;
import riposo.core.today.TodayCheck;
import riposo.core.tolerance.NextDay;
import riposo.core.tolerance.School;
import riposo.server.checkin.CheckIns;
import riposo.server.client.Clients;
import riposo.server.plan.Plans;
import riposo.server.platform.AsOfClock;
import riposo.server.platform.StudioContext;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;
import riposo.server.tolerance.Verdicts;

/** Somebody of a journey's own in the demo studio, with sessions in the past. */
final class Trained {
  final UUID id;
  final UUID plan;
  final String planName;
  private final UUID studio;

  /** Screened with nothing found; dumbbells of 2 and 3 kg. */
  Trained(String name, int joinedAgo) {
    studio =
        UUID.fromString(
            Objects.requireNonNull(
                Studio.bean(JdbcTemplate.class)
                    .queryForObject(
                        "select id from studio where name = 'Lanternfield Hall'", String.class)));
    planName = "Rows of " + name;
    Clients clients = Studio.bean(Clients.class);
    id =
        at(
            joinedAgo,
            9,
            () -> {
              UUID who =
                  clients.add(
                      new Clients.NewClient(
                          name,
                          LocalDate.of(1960, 1, 1),
                          null,
                          "carry the shopping",
                          null,
                          Mobility.USUAL,
                          School.PAIN_FREE,
                          null,
                          0,
                          6,
                          new Kitbag(
                              EnumSet.allOf(Kit.class),
                              List.of(new Weight(2000, 2), new Weight(3000, 2)))));
              Map<String, String> answers = new HashMap<>();
              for (Question q : Screening.questions()) {
                if (q.kind() == Question.Kind.YES_NO) {
                  answers.put(q.id(), q.protective() ? "yes" : "no");
                }
              }
              Readiness screening = Studio.bean(Readiness.class);
              screening.acceptAll(screening.take(who, answers, name));
              return who;
            });
    plan =
        at(
            joinedAgo,
            9,
            () ->
                Studio.bean(Plans.class)
                    .add(
                        planName,
                        SessionPlan.of(
                            List.of(new Slot("w", "march", 300)),
                            List.of(
                                new Slot("s1", "counter-squat", null),
                                new Slot("s2", "seated-hinged-row", null)),
                            Format.intervals(40, 20, 2),
                            List.of(new Slot("c", "seated-breathing", 180)))));
  }

  private <T> T at(int ago, int hour, Supplier<T> work) {
    Instant moment =
        LocalDate.now(Studio.ZONE).minusDays(ago).atTime(hour, 0).atZone(Studio.ZONE).toInstant();
    List<T> made = new ArrayList<>();
    AsOfClock.asOf(moment, () -> made.add(StudioContext.within(studio, "Marit Solheim", work)));
    return made.get(0);
  }

  /** A whole session two repetitions over, without pain; its morning told well where wanted. */
  UUID session(int ago, boolean told) {
    Runs runs = Studio.bean(Runs.class);
    UUID run =
        at(
            ago,
            10,
            () -> {
              UUID begun = runs.start(id, plan, TodayCheck.Given.well(null, null, 0), null);
              log(runs, begun, ago);
              runs.close(begun, 5, "GOOD");
              return begun;
            });
    if (told) {
      at(
          ago - 1,
          8,
          () -> {
            Studio.bean(CheckIns.class)
                .answer(run, id, new NextDay(0, NextDay.Compared.SAME, false, Set.of()));
            return run;
          });
    }
    return run;
  }

  private void log(Runs runs, UUID run, int ago) {
    long begun =
        LocalDate.now(Studio.ZONE)
            .minusDays(ago)
            .atTime(10, 0)
            .atZone(Studio.ZONE)
            .toInstant()
            .toEpochMilli();
    RunSheet sheet = runs.sheet(run);
    RunSheet.Person who = sheet.people().get(0);
    List<RunEvent> events = new ArrayList<>();
    events.add(new RunEvent.Start(stamp(begun, 0)));
    for (Segment g : sheet.timeline().segments()) {
      if (g.block() == Block.WORK && g.kind() == Segment.Kind.WORK) {
        Integer asked = who.slot(g.slotKey()).orElseThrow().parts().get(0).dose().reps();
        Entry set =
            Entry.of(g.slotKey(), g.round(), g.side())
                .effort(5)
                .pain(0, null)
                .reps(asked == null ? null : asked + 2)
                .formLost(false);
        events.add(
            new RunEvent.Logged(
                stamp(begun + g.endExclusive() * 1000L, events.size()), who.id(), set));
      }
    }
    events.add(new RunEvent.Finish(stamp(begun + sheet.timeline().total() * 1000L, 999)));
    runs.record(run, events);
  }

  private static Stamp stamp(long at, int seq) {
    return new Stamp(UUID.randomUUID(), "tablet", at, seq);
  }

  /** Accepts what waits, at noon of a day. */
  void accept(int ago) {
    at(
        ago,
        12,
        () -> {
          Studio.bean(Verdicts.class).acceptAll(id);
          return id;
        });
  }

  /** Something done now, as the professional. */
  <T> T now(Supplier<T> work) {
    return StudioContext.within(studio, "Marit Solheim", work);
  }
}
