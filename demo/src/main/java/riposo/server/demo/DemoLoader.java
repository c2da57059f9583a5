package riposo.server.demo;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import riposo.catalogue.PlanDocument;
import riposo.core.adapt.Kitbag;
import riposo.core.dose.Weight;
import riposo.core.limit.Strength;
import riposo.core.plan.Block;
import riposo.core.plan.Segment;
import riposo.core.run.Entry;
import riposo.core.run.RunEvent;
import riposo.core.run.RunSheet;
import riposo.core.run.Stamp;
import riposo.core.screening.Question;
import riposo.core.screening.Screening;
import riposo.core.today.TodayCheck;
import riposo.server.checkin.CheckIns;
import riposo.server.client.ClientRecord;
import riposo.server.client.Clients;
import riposo.server.day.Appointments;
import riposo.server.demo.DemoDocument.ClientPart;
import riposo.server.demo.DemoDocument.LimitPart;
import riposo.server.demo.DemoDocument.Moment;
import riposo.server.demo.DemoDocument.NextPart;
import riposo.server.demo.DemoDocument.PlanPart;
import riposo.server.demo.DemoDocument.RecordPart;
import riposo.server.demo.DemoDocument.Said;
import riposo.server.demo.DemoDocument.SessionPart;
import riposo.server.demo.DemoDocument.TodayPart;
import riposo.server.diary.Diary;
import riposo.server.group.Groups;
import riposo.server.limit.Limits;
import riposo.server.movement.Movements;
import riposo.server.plan.Plans;
import riposo.server.platform.AsOfClock;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.review.Reviews;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;
import riposo.server.tolerance.Verdicts;

/**
 * Puts the demo document through the same services as the screens, each thing as of its day, once a
 * database.
 */
@Component
@ConditionalOnProperty(name = "riposo.demo", havingValue = "true")
class DemoLoader implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);

  private final DemoDocument demo = DemoDocument.read("/demo/lanternfield.yaml");
  private final String zone;
  private final Studios studios;
  private final Clients clients;
  private final Readiness screening;
  private final Limits limits;
  private final Movements movements;
  private final Plans plans;
  private final Runs runs;
  private final CheckIns checkIns;
  private final Verdicts verdicts;
  private final Appointments appointments;
  private final Groups groups;
  private final Diary diary;
  private final Reviews reviews;
  private final TransactionTemplate tx;

  DemoLoader(
      Studios studios,
      Clients clients,
      Readiness screening,
      Limits limits,
      Movements movements,
      Plans plans,
      Runs runs,
      CheckIns checkIns,
      Verdicts verdicts,
      Appointments appointments,
      Groups groups,
      Diary diary,
      Reviews reviews,
      PlatformTransactionManager transactions,
      @Value("${riposo.demo.zone:}") String zone) {
    this.zone = zone.isEmpty() ? demo.studio().zone() : zone;
    this.studios = studios;
    this.clients = clients;
    this.screening = screening;
    this.limits = limits;
    this.movements = movements;
    this.plans = plans;
    this.runs = runs;
    this.checkIns = checkIns;
    this.verdicts = verdicts;
    this.appointments = appointments;
    this.groups = groups;
    this.diary = diary;
    this.reviews = reviews;
    this.tx = new TransactionTemplate(transactions);
  }

  @Override
  public void run(ApplicationArguments args) {
    DemoDocument.StudioPart s = demo.studio();
    if (studios.hasAccount(s.accounts().get(0).email())) {
      return;
    }
    UUID studio = studios.create(s.name(), zone, s.emergencyNumber());
    // The accounts come last: a load that is cut off leaves a studio nobody can sign in to.
    StudioContext.within(
        studio,
        s.accounts().get(0).name(),
        () -> {
          studios.change(0, s.name(), zone, s.emergencyNumber(), "KG", "MMOL", s.phone());
          new Loading(LocalDate.ofInstant(studios.now(), ZoneId.of(zone))).all();
          for (DemoDocument.AccountPart a : s.accounts()) {
            studios.addAccount(studio, a.email(), a.name(), s.password());
          }
          return true;
        });
    LOG.info("demo data loaded");
  }

  /** One load, as of one day. */
  private final class Loading {
    private final LocalDate today;
    private final Map<String, UUID> plan = new HashMap<>();
    private final Map<String, UUID> client = new HashMap<>();
    private final Map<String, UUID> room = new HashMap<>();

    /** Runs by client, day and hour. */
    private final Map<String, UUID> held = new HashMap<>();

    /** Something to be done as of a moment. */
    private record Dated(Moment on, Runnable work) {}

    Loading(LocalDate today) {
      this.today = today;
    }

    void all() {
      int first = demo.clients().stream().mapToInt(c -> c.joined().day()).min().orElse(0);
      at(new Moment(first, 8), () -> demo.plans().forEach(p -> plan.put(p.key(), add(p))));
      demo.clients().forEach(this::add);
      at(new Moment(-1, 16), () -> demo.rooms().forEach(this::add));
      at(new Moment(-1, 17), () -> demo.groups().forEach(this::add));
    }

    private UUID add(PlanPart p) {
      if (p.startingPoint() != null) {
        return plans.addStartingPoint(p.startingPoint());
      }
      PlanDocument d =
          PlanDocument.read(
              Objects.requireNonNull(p.document(), p.key()).toString(), movements.catalogue());
      return plans.add(d.name(), d.plan());
    }

    private void add(ClientPart c) {
      UUID id = joined(c);
      client.put(c.name(), id);
      Moment settled = new Moment(c.joined().day(), c.joined().hour() + 1);
      Runnable word =
          () -> {
            c.limits().forEach(l -> limits.add(id, firm(l)));
            DemoDocument.ClearancePart clear = c.clearance();
            if (clear != null) {
              screening.clear(
                  id,
                  clear.role(),
                  clear.name(),
                  day(c.joined().day()),
                  day(clear.until()),
                  clear.covers());
            }
          };
      history(id, c, new Dated(settled, () -> at(settled, word)));
      RecordPart r = c.record();
      if (r != null) {
        at(new Moment(-1, 12), () -> clients.setRecord(id, record(r)));
      }
      TodayPart t = c.today();
      if (t != null && t.runningSince() != null) {
        running(id, t, studios.now().minusSeconds(60L * t.runningSince()));
      } else if (t != null) {
        at(
            new Moment(Math.max(-1, c.joined().day()), 18),
            () -> appointments.add(id, made(plan, t.plan()), today, t.at()));
      }
    }

    private UUID joined(ClientPart c) {
      UUID[] id = new UUID[1];
      at(
          c.joined(),
          () -> {
            id[0] =
                clients.add(
                    new Clients.NewClient(
                        c.name(),
                        day(c.joined().day()).minusYears(c.age()).minusDays(70),
                        c.name().split(" ")[0].toLowerCase(Locale.ROOT) + "@post.example",
                        c.goal(),
                        c.facts(),
                        c.mobility(),
                        c.pain(),
                        c.schoolBy(),
                        c.usualPain(),
                        c.goalEffort(),
                        new Kitbag(
                            demo.homeKit(),
                            c.weights().stream().map(g -> new Weight(g, 2)).toList())));
          });
      return id[0];
    }

    /** Everything that happened to a client, in the order it did. */
    private void history(UUID id, ClientPart c, Dated word) {
      List<Dated> all = new ArrayList<>(List.of(word));
      for (DemoDocument.ScreeningPart s : c.screenings()) {
        Moment on = s.on() == null ? c.joined() : s.on();
        all.add(new Dated(on, () -> screened(id, c, on, s)));
      }
      for (SessionPart s : c.sessions()) {
        all.add(new Dated(new Moment(s.day(), s.hour()), () -> held(id, s)));
        NextPart next = s.next();
        if (next != null) {
          Moment on = new Moment(s.day() + 1, next.hour());
          all.add(new Dated(on, () -> at(on, () -> checkIns.answer(run(id, s), id, next.said()))));
        }
        if (Boolean.TRUE.equals(s.accepted())) {
          Moment on = new Moment(s.day() + 1, 9);
          all.add(new Dated(on, () -> at(on, () -> verdicts.acceptAll(id))));
        }
        NextPart second = s.second();
        if (second != null) {
          Moment on = new Moment(s.day() + 3, second.hour());
          all.add(
              new Dated(
                  on, () -> at(on, () -> checkIns.answerSecond(run(id, s), id, second.said()))));
        }
      }
      // booked the evening before
      Stream.concat(
              c.sessions().stream().map(s -> new Booking(s.day(), s.hour(), s.plan())),
              c.missed().stream()
                  .map(d -> new Booking(d, c.sessions().get(0).hour(), c.sessions().get(0).plan())))
          .forEach(b -> all.add(booking(id, b)));
      for (DemoDocument.HappenedPart h : c.happened()) {
        Moment on = new Moment(h.day(), 18);
        all.add(
            new Dated(
                on, () -> at(on, () -> screening.happen(id, h.kind(), day(h.day()), h.note()))));
      }
      for (DemoDocument.DiaryPart d : c.diary()) {
        Moment on = new Moment(Math.min(d.day(), -1), 19);
        LocalDate until = d.until() == null ? null : day(d.until());
        all.add(
            new Dated(
                on, () -> at(on, () -> diary.note(id, d.kind(), day(d.day()), until, d.words()))));
      }
      for (DemoDocument.ReviewPart r : c.reviews()) {
        Moment on = new Moment(r.day(), 20);
        all.add(new Dated(on, () -> at(on, () -> reviews.hold(id, r.words()))));
      }
      all.stream().sorted(Comparator.comparing(d -> instant(d.on()))).forEach(d -> d.work().run());
    }

    /** A session of its own that is booked. */
    private record Booking(int day, int hour, String plan) {}

    private Dated booking(UUID id, Booking b) {
      Moment on = new Moment(b.day() - 1, 17);
      return new Dated(
          on,
          () ->
              at(
                  on,
                  () ->
                      appointments.add(
                          id, made(plan, b.plan()), day(b.day()), LocalTime.of(b.hour(), 0))));
    }

    private void screened(UUID id, ClientPart c, Moment on, DemoDocument.ScreeningPart s) {
      at(
          on,
          () -> {
            UUID taken = screening.take(id, answers(s.given(today)), c.name());
            if (s.decided()) {
              screening.acceptAll(taken);
            }
          });
    }

    private UUID run(UUID id, SessionPart s) {
      return Objects.requireNonNull(held.get(id + " " + s.day() + " " + s.hour()));
    }

    private void held(UUID id, SessionPart s) {
      UUID[] run = new UUID[1];
      AsOfClock.asOf(
          instant(new Moment(s.day(), s.hour())),
          () -> {
            int before = Objects.requireNonNullElse(s.before(), 0);
            run[0] =
                runs.start(
                    id,
                    made(plan, s.plan()),
                    TodayCheck.Given.well(s.reading(), s.saturation(), before),
                    null);
            live(run[0], s);
          });
      held.put(id + " " + s.day() + " " + s.hour(), run[0]);
      if (!Boolean.FALSE.equals(s.closed())) {
        at(new Moment(s.day(), s.hour() + 1), () -> runs.close(run[0], s.effort(), "GOOD"));
      }
    }

    /** The whole session logged set by set, as it was said. */
    private void live(UUID run, SessionPart s) {
      RunSheet sheet = runs.sheet(run);
      RunSheet.Person who = sheet.people().get(0);
      Instant begun = studios.now();
      List<RunEvent> events = new ArrayList<>();
      events.add(new RunEvent.Start(stamp(begun, 0)));
      for (Segment g : sheet.timeline().segments()) {
        if (isSet(g)) {
          RunSheet.Part part = who.slot(g.slotKey()).orElseThrow().part(g.side());
          Said said = s.of(Objects.requireNonNullElse(part.form().familyId(), ""));
          Integer reps = part.dose().reps() == null ? null : part.dose().reps() + said.over();
          Entry set =
              Entry.of(g.slotKey(), g.round(), g.side())
                  .effort(said.effort())
                  .pain(said.pain(), said.pain() > 0 ? said.where() : null)
                  .reps(reps)
                  .formLost(false);
          Instant done = begun.plusSeconds(g.endExclusive());
          events.add(new RunEvent.Logged(stamp(done, events.size()), who.id(), set));
        }
      }
      Instant over = begun.plusSeconds(sheet.timeline().total());
      events.add(new RunEvent.Finish(stamp(over, events.size())));
      runs.record(run, events);
    }

    /** In the middle of today's session, paused after its first set. */
    private void running(UUID id, TodayPart t, Instant begun) {
      AsOfClock.asOf(
          begun,
          () -> {
            UUID of = made(plan, t.plan());
            appointments.add(id, of, today, t.at());
            int before = Objects.requireNonNullElse(t.before(), 0);
            UUID run = runs.start(id, of, TodayCheck.Given.well(null, null, before), null);
            Segment first =
                runs.sheet(run).timeline().segments().stream()
                    .filter(DemoLoader::isSet)
                    .findFirst()
                    .orElseThrow();
            Instant done = begun.plusSeconds(first.endExclusive());
            Entry set =
                Entry.of(first.slotKey(), 1, first.side())
                    .effort(4)
                    .pain(0, null)
                    .reps(first.reps())
                    .formLost(false);
            runs.record(
                run,
                List.of(
                    new RunEvent.Start(stamp(begun, 0)),
                    new RunEvent.Logged(stamp(done, 1), id, set),
                    new RunEvent.Pause(stamp(done.plusSeconds(70), 2))));
          });
    }

    private void add(DemoDocument.RoomPart r) {
      UUID home = r.homeOf() == null ? null : made(client, r.homeOf());
      UUID id = clients.addRoom(r.name(), home, r.room());
      room.put(r.name(), id);
      if (home != null) {
        clients.setRoom(home, id);
      }
    }

    private void add(DemoDocument.GroupPart g) {
      groups.add(
          g.name(),
          made(room, g.room()),
          made(plan, g.plan()),
          g.lanes(),
          today.getDayOfWeek().getValue(),
          g.at(),
          g.members().stream().map(m -> made(client, m)).toList());
    }

    private Limits.NewLimit firm(LimitPart l) {
      LocalDate until = l.until() == null ? null : day(l.until());
      return new Limits.NewLimit(
          l.axis(),
          l.side(),
          l.cap(),
          Strength.FIRM,
          l.source(),
          null,
          day(l.from()),
          until,
          until);
    }

    private ClientRecord record(RecordPart r) {
      ClientRecord.Effect effect =
          Boolean.TRUE.equals(r.slowsPulse())
              ? ClientRecord.Effect.SLOWS_PULSE
              : ClientRecord.Effect.OTHER;
      return new ClientRecord(
          null,
          null,
          r.medicine() == null ? null : List.of(new ClientRecord.Medicine(r.medicine(), effect)),
          null,
          r.contact(),
          r.phone(),
          null,
          null,
          r.kneeCm(),
          r.restingPulse(),
          null,
          false,
          null,
          null,
          null,
          null,
          new ClientRecord.Consent(today.minusDays(20), "the client", null, true),
          r.massKg(),
          r.statureCm());
    }

    private LocalDate day(int fromToday) {
      return today.plusDays(fromToday);
    }

    private Instant instant(Moment m) {
      return day(m.day()).atTime(m.hour(), 0).atZone(ZoneId.of(zone)).toInstant();
    }

    private void at(Moment m, Runnable work) {
      AsOfClock.asOf(instant(m), () -> tx.executeWithoutResult(s -> work.run()));
    }
  }

  private static boolean isSet(Segment g) {
    return g.block() == Block.WORK && g.kind() == Segment.Kind.WORK;
  }

  private static UUID made(Map<String, UUID> all, String name) {
    return Objects.requireNonNull(all.get(name), name);
  }

  private static Stamp stamp(Instant at, int seq) {
    return new Stamp(UUID.randomUUID(), "studio tablet", at.toEpochMilli(), seq);
  }

  /** Every question answered no but those given. */
  private static Map<String, String> answers(Map<String, String> given) {
    Map<String, String> all = new HashMap<>();
    for (Question q : Screening.questions()) {
      if (q.kind() == Question.Kind.YES_NO) {
        all.put(q.id(), "no");
      }
    }
    all.putAll(given);
    return all;
  }
}
