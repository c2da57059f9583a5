package riposo.server.demo.internal;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import riposo.core.adapt.Kitbag;
import riposo.core.dose.Weight;
import riposo.core.kit.Band;
import riposo.core.kit.Room;
import riposo.core.limit.Side;
import riposo.core.limit.Strength;
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
import riposo.server.checkin.CheckIns;
import riposo.server.client.ClientRecord;
import riposo.server.client.Clients;
import riposo.server.day.Appointments;
import riposo.server.group.Groups;
import riposo.server.limit.Limits;
import riposo.server.plan.Plans;
import riposo.server.platform.AsOfClock;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import riposo.server.screening.Readiness;
import riposo.server.tolerance.Verdicts;

/**
 * Lanternfield Hall: made-up people, six weeks of history relative to today, one client at each
 * step of the path. Everything goes through the same services as the screens, as of its day.
 */
@Component
@ConditionalOnProperty(name = "riposo.demo", havingValue = "true")
class DemoLoader implements ApplicationRunner {
  static final String EMAIL = "marit@lanternfield.example";
  static final String PASSWORD = "lantern-light";
  private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);
  private static final String ZONE = "Europe/Oslo";

  private final Studios studios;
  private final Clients clients;
  private final Readiness screening;
  private final Limits limits;
  private final Plans plans;
  private final Runs runs;
  private final CheckIns checkIns;
  private final Verdicts verdicts;
  private final Appointments appointments;
  private final Groups groups;
  private final TransactionTemplate tx;

  DemoLoader(
      Studios studios,
      Clients clients,
      Readiness screening,
      Limits limits,
      Plans plans,
      Runs runs,
      CheckIns checkIns,
      Verdicts verdicts,
      Appointments appointments,
      Groups groups,
      PlatformTransactionManager transactions) {
    this.studios = studios;
    this.clients = clients;
    this.screening = screening;
    this.limits = limits;
    this.plans = plans;
    this.runs = runs;
    this.checkIns = checkIns;
    this.verdicts = verdicts;
    this.appointments = appointments;
    this.groups = groups;
    this.tx = new TransactionTemplate(transactions);
  }

  @Override
  public void run(ApplicationArguments args) {
    if (studios.hasAccount(EMAIL)) {
      return;
    }
    UUID studio = studios.create("Lanternfield Hall", ZONE, "112");
    // The accounts come last: a load that is cut off leaves a studio nobody can sign in to.
    StudioContext.within(
        studio,
        "Marit Solheim",
        () -> {
          studios.change(0, "Lanternfield Hall", ZONE, "112", "KG", "MMOL", "555 0100");
          load(LocalDate.ofInstant(studios.now(), ZoneId.of(ZONE)));
          studios.addAccount(studio, EMAIL, "Marit Solheim", PASSWORD);
          studios.addAccount(studio, "piet@lanternfield.example", "Piet Oduya", PASSWORD);
          return true;
        });
    LOG.info("demo data loaded");
  }

  private void at(LocalDate day, int hour, Runnable work) {
    AsOfClock.asOf(moment(day, hour, 0), () -> tx.executeWithoutResult(s -> work.run()));
  }

  private static Instant moment(LocalDate day, int hour, int minute) {
    return day.atTime(hour, minute).atZone(ZoneId.of(ZONE)).toInstant();
  }

  private void load(LocalDate today) {
    LocalDate start = today.minusDays(43);
    Map<String, UUID> plan = new HashMap<>();
    at(
        start,
        8,
        () -> {
          plan.put("steady", plans.add("Steady Tuesday", steady()));
          plan.put("chair", plans.add("Chair and kettle", chair()));
          plan.put("short", plans.add("Short and restful", shortOne()));
          plan.put("carry", plans.add("Week by week", pregnancy()));
          plan.put("ladder", plans.addStartingPoint("Ladder of five"));
          plan.put("day", plans.addStartingPoint("Ten at a time"));
          plan.put("kettle", plans.addStartingPoint("Seated strength"));
        });
    odile(today, start, plan);
    thandi(today, start, plan);
    noor(today, start, plan);
    ilse(today, start, plan);
    corentin(today, start, plan);
    rashid(today, plan);
    benedikt(today, plan);
    aurelio(today, plan);
    bruna(today);
    guests(today);
    UUID room = hall(today);
    at(
        today.minusDays(1),
        15,
        () ->
            client(
                "Wendeline Cruz",
                58,
                today,
                "lift shopping without thinking of the arm",
                "after cancer care",
                Mobility.USUAL,
                School.PAIN_FREE,
                null,
                0,
                5,
                1000,
                2000));
    groups(today, room, plan);
  }

  /** Four who come to the groups only. */
  private void guests(LocalDate today) {
    LocalDate day = today.minusDays(30);
    guest(
        day,
        "Elske Brandt",
        71,
        "worn left knee",
        Mobility.SLOW,
        Map.of("joint.any", "yes", "knee.pain", "yes", "knee.side", "left", "active.now", "yes"));
    guest(day, "Joaquim Prado", 66, "well", Mobility.USUAL, Map.of("active.now", "yes"));
    guest(
        day,
        "Mirjam Oyelaran",
        59,
        "low back",
        Mobility.USUAL,
        Map.of(
            "joint.any", "yes", "back.pain", "yes", "back.direction", "bend", "active.now", "yes"));
    guest(
        day,
        "Tove Sandell",
        62,
        "well, new to weights",
        Mobility.USUAL,
        Map.of("active.now", "yes"));
  }

  private void guest(
      LocalDate day,
      String name,
      int age,
      String facts,
      Mobility mobility,
      Map<String, String> yes) {
    started(
        day,
        name,
        age,
        "keep going",
        facts,
        mobility,
        School.PAIN_FREE,
        null,
        0,
        5,
        yes,
        1000,
        2000);
  }

  /** Two groups that meet today, whatever day it is. */
  private void groups(LocalDate today, UUID room, Map<String, UUID> plan) {
    at(
        today.minusDays(1),
        17,
        () -> {
          Map<String, UUID> by = new HashMap<>();
          clients.all().forEach(c -> by.put(c.name().split(" ")[0], c.id()));
          int weekday = today.getDayOfWeek().getValue();
          groups.add(
              "Steady Tuesday",
              room,
              plan.get("steady"),
              3,
              weekday,
              LocalTime.of(17, 30),
              ids(
                  by,
                  "Odile",
                  "Thandi",
                  "Corentin",
                  "Ilse",
                  "Aurelio",
                  "Noor",
                  "Elske",
                  "Joaquim",
                  "Mirjam",
                  "Tove",
                  "Bruna"));
          groups.add(
              "Chair and Kettle",
              room,
              plan.get("kettle"),
              2,
              weekday,
              LocalTime.of(14, 0),
              ids(by, "Odile", "Corentin", "Ilse", "Aurelio", "Elske", "Benedikt"));
        });
  }

  private static List<UUID> ids(Map<String, UUID> by, String... names) {
    List<UUID> ids = new ArrayList<>();
    for (String n : names) {
      ids.add(java.util.Objects.requireNonNull(by.get(n), n));
    }
    return ids;
  }

  /** Lung disease and Parkinson; a clearance that ends in nine days. */
  private void aurelio(LocalDate today, Map<String, UUID> plan) {
    LocalDate day = today.minusDays(20);
    UUID id =
        started(
            day,
            "Aurelio Pask",
            69,
            "sing a whole verse standing",
            "lung disease, Parkinson",
            Mobility.SLOW,
            School.PAIN_FREE,
            null,
            0,
            4,
            Map.of(
                "lung.ever",
                "yes",
                "lung.flare",
                "yes",
                "nerve.any",
                "yes",
                "parkinson",
                "yes",
                "active.now",
                "no"),
            500,
            1000,
            2000);
    at(
        day,
        12,
        () -> {
          screening.clear(
              id, "doctor", "A. Brenner", day, today.plusDays(9), Set.of("standing.lung-flare"));
          clients.setRecord(id, record(null, 72, null, "Livia Pask", "555 0142", today));
        });
    at(today, 7, () -> appointments.add(id, plan.get("chair"), today, LocalTime.of(16, 30)));
  }

  /** Waits for a clearance: an aneurysm found on a scan, nothing from the surgeon yet. */
  private void bruna(LocalDate today) {
    at(
        today.minusDays(3),
        11,
        () -> {
          UUID id =
              client(
                  "Bruna Keel",
                  67,
                  today,
                  "dance at the harbour feast",
                  "aneurysm, waits for the surgeon's word",
                  Mobility.USUAL,
                  School.PAIN_FREE,
                  null,
                  0,
                  5,
                  1000,
                  2000);
          screening.take(
              id,
              answers(Map.of("heart.ever", "yes", "aneurysm", "yes", "active.now", "yes")),
              "Bruna Keel");
        });
  }

  /** The hall's kit, two homes, and what is on record beyond the form. */
  private UUID hall(LocalDate today) {
    UUID[] big = new UUID[1];
    at(
        today.minusDays(1),
        16,
        () -> {
          Map<String, UUID> by = new HashMap<>();
          clients.all().forEach(c -> by.put(c.name(), c.id()));
          List<Band> bands =
              List.of(
                  new Band(
                      "green",
                      150,
                      List.of(
                          new Band.Measured(50, 1200),
                          new Band.Measured(100, 2000),
                          new Band.Measured(200, 3400)),
                      true,
                      8),
                  new Band(
                      "blue, latex-free", 140, List.of(new Band.Measured(100, 2900)), false, 4));
          Room room =
              new Room(
                  List.of(
                      new Room.Chair("stacking chair", 46, false, false, true, false, 14),
                      new Room.Chair("office chair", 48, true, true, true, false, 1),
                      new Room.Chair("lounge chair", 40, true, false, false, false, 2)),
                  List.of(
                      dumbbell("1", Room.MassUnit.KG, 8),
                      dumbbell("2", Room.MassUnit.KG, 8),
                      dumbbell("5", Room.MassUnit.LB, 4),
                      dumbbell("3", Room.MassUnit.KG, 4),
                      dumbbell("5", Room.MassUnit.KG, 2)),
                  List.of(new Room.StandIn(Room.StandIn.Kind.CAN_400, 0, 6)),
                  bands,
                  List.of(10, 15),
                  true,
                  92,
                  Set.of(Kit.MAT, Kit.PAD, Kit.CUSHION, Kit.WEDGE, Kit.TOWEL, Kit.BALL),
                  List.of());
          big[0] = clients.addRoom("Big room", null, room);
          UUID home =
              clients.addRoom(
                  "Rashid's kitchen",
                  by.get("Rashid Temur"),
                  new Room(
                      List.of(new Room.Chair("kitchen chair", 45, false, false, true, false, 2)),
                      List.of(),
                      List.of(
                          new Room.StandIn(Room.StandIn.Kind.CAN_400, 0, 2),
                          new Room.StandIn(Room.StandIn.Kind.BOTTLE, 1000, 2)),
                      List.of(bands.get(1)),
                      List.of(),
                      true,
                      90,
                      Set.of(Kit.TOWEL, Kit.CUSHION),
                      List.of()));
          UUID rashid = by.get("Rashid Temur");
          if (rashid != null) {
            clients.setRoom(rashid, home);
          }
          by.forEach(
              (name, id) -> {
                if (name.equals("Benedikt Aalto")) {
                  clients.setRecord(
                      id,
                      record(
                          new ClientRecord.Medicine(
                              "beta-blocker, morning", ClientRecord.Effect.SLOWS_PULSE),
                          62,
                          null,
                          "Saara Aalto",
                          "555 0117",
                          today));
                } else if (name.equals("Odile Varga")) {
                  clients.setRecord(id, record(null, 74, 44, "Matyas Varga", "555 0133", today));
                }
              });
        });
    return big[0];
  }

  private static Room.Dumbbell dumbbell(String printed, Room.MassUnit unit, int count) {
    return new Room.Dumbbell(new java.math.BigDecimal(printed), unit, count);
  }

  private static ClientRecord record(
      ClientRecord.@Nullable Medicine medicine,
      int restingPulse,
      @Nullable Integer kneeCm,
      String contact,
      String phone,
      LocalDate today) {
    return new ClientRecord(
        null,
        null,
        medicine == null ? null : List.of(medicine),
        null,
        contact,
        phone,
        null,
        null,
        kneeCm,
        restingPulse,
        null,
        false,
        null,
        null,
        null,
        null,
        new ClientRecord.Consent(today.minusDays(20), "the client", null, true));
  }

  private void odile(LocalDate today, LocalDate start, Map<String, UUID> plan) {
    UUID id =
        started(
            start,
            "Odile Varga",
            74,
            "reach the top shelf, get off the floor again",
            "two falls last year, wary of the floor",
            Mobility.SLOW,
            School.PAIN_FREE,
            null,
            0,
            5,
            Map.of(
                "bone.low",
                "yes",
                "joint.any",
                "yes",
                "shoulder.pain",
                "yes",
                "shoulder.side",
                "right",
                "shoulder.kind",
                "stiff",
                "falls.any",
                "yes",
                "falls.two",
                "yes",
                "active.now",
                "yes"),
            1000,
            2000,
            3000);
    at(
        start,
        11,
        () ->
            limits.add(
                id,
                firm(
                    "joint.shoulder-elevation.loaded",
                    Side.RIGHT,
                    80,
                    "physio letter, R. Lind",
                    start,
                    today.plusDays(80))));
    int n = 0;
    for (LocalDate d = start.plusDays(2); d.isBefore(today); d = d.plusDays(n % 2 == 0 ? 3 : 4)) {
      n++;
      boolean flare = n == 6;
      boolean gap = n == 9;
      int session = n;
      UUID run =
          session(
              id,
              plan.get("steady"),
              d,
              10,
              0,
              null,
              (slot, family) -> {
                boolean strong = session % 3 != 1 && !flare;
                boolean sore = flare && family.equals("overhead");
                return new Said(
                    sore ? 6 : strong ? 4 : 5,
                    sore ? 4 : session == 8 && family.equals("balance") ? 2 : 0,
                    sore ? "right shoulder" : "knee",
                    strong ? 2 : 0);
              });
      LocalDate next = d.plusDays(1);
      if (!gap && !next.isAfter(today)) {
        at(
            next,
            8,
            () ->
                checkIns.answer(
                    run,
                    new NextDay(
                        flare ? 3 : 0,
                        flare ? NextDay.Compared.WORSE : NextDay.Compared.SAME,
                        false,
                        Set.of())));
      }
      if (d.plusDays(3).isBefore(today)) {
        at(next, 9, () -> verdicts.acceptAll(id));
      }
    }
    at(today, 7, () -> appointments.add(id, plan.get("steady"), today, LocalTime.of(10, 0)));
  }

  private void thandi(LocalDate today, LocalDate start, Map<String, UUID> plan) {
    LocalDate due = today.plusDays(280 - (24 * 7 + 3));
    UUID id =
        started(
            start,
            "Thandi Mokoena",
            32,
            "carry a toddler and a bump",
            "second pregnancy",
            Mobility.USUAL,
            School.PAIN_FREE,
            null,
            0,
            6,
            Map.of(
                "birth.any",
                "yes",
                "pregnancy.now",
                "yes",
                "pregnancy.due",
                due.toString(),
                "active.now",
                "yes"),
            2000,
            4000,
            5000);
    for (int i = 0; i < 5; i++) {
      LocalDate d = start.plusDays(3 + 7L * i);
      int s = i;
      UUID run =
          session(
              id,
              plan.get("carry"),
              d,
              12,
              0,
              new Pressure(116 + i, 72),
              (slot, family) -> new Said(s % 2 == 0 ? 5 : 4, 0, null, s % 2));
      at(
          d.plusDays(1),
          9,
          () -> {
            checkIns.answer(run, new NextDay(0, NextDay.Compared.SAME, false, Set.of()));
            verdicts.acceptAll(id);
          });
    }
    at(today, 7, () -> appointments.add(id, plan.get("carry"), today, LocalTime.of(12, 30)));
  }

  private void noor(LocalDate today, LocalDate start, Map<String, UUID> plan) {
    UUID id =
        started(
            start,
            "Noor Hallström",
            38,
            "run for the bus without paying for it",
            "kneecap tendon, left",
            Mobility.USUAL,
            School.MONITORED,
            "tendon, Dr. Ek 2 Oct",
            2,
            7,
            Map.of(
                "joint.any", "yes", "knee.pain", "yes", "knee.side", "left", "active.now", "yes"),
            4000,
            6000,
            8000);
    for (int i = 0; i < 6; i++) {
      LocalDate d = i == 5 ? today.minusDays(1) : start.plusDays(2 + 7L * i);
      int s = i;
      UUID run =
          session(
              id,
              plan.get("steady"),
              d,
              17,
              2,
              null,
              (slot, family) ->
                  new Said(
                      6,
                      // yesterday the left leg alone was too much: a stop nobody has decided yet
                      s == 5 && family.equals("balance")
                          ? 8
                          : family.equals("sit-stand") || family.equals("split")
                              ? Math.min(4, 2 + s % 3)
                              : 0,
                      "left knee",
                      s > 2 ? 2 : 1));
      if (i < 5) {
        at(
            d.plusDays(1),
            9,
            () -> {
              checkIns.answer(
                  run,
                  new NextDay(
                      s == 3 ? 4 : 2,
                      s == 3 ? NextDay.Compared.WORSE : NextDay.Compared.SAME,
                      false,
                      Set.of()));
              verdicts.acceptAll(id);
            });
      }
    }
  }

  private void ilse(LocalDate today, LocalDate start, Map<String, UUID> plan) {
    UUID id =
        started(
            start,
            "Ilse Farkas",
            81,
            "walk to the harbour and back",
            "hip replaced, frail, tires early",
            Mobility.SLOW,
            School.PAIN_FREE,
            null,
            1,
            5,
            Map.of("falls.any", "yes", "falls.two", "yes", "frail", "yes"),
            500,
            1000);
    at(
        start,
        11,
        () -> {
          limits.add(
              id,
              firm(
                  "joint.hip-flexion.any",
                  Side.RIGHT,
                  90,
                  "hip surgeon, back approach",
                  start,
                  today.minusDays(4)));
          limits.add(
              id,
              firm(
                  "joint.hip-adduction.any",
                  Side.RIGHT,
                  0,
                  "hip surgeon, back approach",
                  start,
                  null));
        });
    for (int i = 0; i < 4; i++) {
      LocalDate d = start.plusDays(4 + 9L * i);
      UUID run =
          session(id, plan.get("chair"), d, 14, 1, null, (slot, family) -> new Said(4, 0, null, 0));
      at(
          d.plusDays(1),
          9,
          () -> {
            checkIns.answer(run, new NextDay(1, NextDay.Compared.SAME, false, Set.of()));
            verdicts.acceptAll(id);
          });
    }
    // in the middle of today's session, paused
    Instant begun = studios.now().minusSeconds(15 * 60);
    AsOfClock.asOf(
        begun,
        () -> {
          appointments.add(id, plan.get("chair"), today, LocalTime.of(9, 0));
          UUID run = runs.start(id, plan.get("chair"), said(1, null), null);
          Segment first =
              runs.sheet(run).timeline().segments().stream()
                  .filter(g -> g.block() == Block.WORK && g.kind() == Segment.Kind.WORK)
                  .findFirst()
                  .orElseThrow();
          Instant done = begun.plusSeconds(first.endExclusive());
          Entry set =
              Entry.of(first.slotKey(), 1, first.side())
                  .effort(4)
                  .pain(0, null)
                  .reps(first.reps())
                  .formLost(false);
          List<RunEvent> events =
              List.of(
                  new RunEvent.Start(stamp(begun, 0)),
                  new RunEvent.Logged(stamp(done, 1), id, set),
                  new RunEvent.Pause(stamp(done.plusSeconds(70), 2)));
          runs.record(run, events);
        });
  }

  private void corentin(LocalDate today, LocalDate start, Map<String, UUID> plan) {
    UUID id =
        started(
            start,
            "Corentin Abiola",
            45,
            "transfer without help, shoulders that last",
            "wheelchair, T10, brakes on",
            Mobility.USUAL,
            School.PAIN_FREE,
            null,
            1,
            6,
            Map.of("active.now", "yes"),
            2000,
            3000,
            5000);
    at(
        start,
        11,
        () -> {
          for (String axis : List.of("surface.standing", "act.leg-work", "transfer.floor")) {
            limits.add(id, firm(axis, Side.BOTH, 0, "rehab letter, T10", start, null));
          }
        });
    for (int i = 0; i < 4; i++) {
      LocalDate d = start.plusDays(5 + 9L * i);
      UUID run =
          session(id, plan.get("chair"), d, 16, 1, null, (slot, family) -> new Said(5, 0, null, 2));
      at(
          d.plusDays(1),
          9,
          () -> {
            checkIns.answer(run, new NextDay(1, NextDay.Compared.SAME, false, Set.of()));
            verdicts.acceptAll(id);
          });
    }
    // ended yesterday, nobody has asked how it was
    at(
        today.minusDays(1),
        16,
        () ->
            live(
                runs.start(id, plan.get("chair"), said(1, null), null),
                (slot, family) -> new Said(6, 0, null, 1)));
  }

  private void rashid(LocalDate today, Map<String, UUID> plan) {
    at(
        today.minusDays(1),
        13,
        () -> {
          UUID id =
              client(
                  "Rashid Temur",
                  52,
                  today,
                  "an afternoon without lying down",
                  "fatigue after infection",
                  Mobility.USUAL,
                  School.PAIN_FREE,
                  null,
                  0,
                  4,
                  1000);
          screening.take(
              id, answers(Map.of("energy.any", "yes", "fatigue.after", "yes")), "Rashid Temur");
          appointments.add(id, plan.get("short"), today, LocalTime.of(15, 0));
        });
  }

  private void benedikt(LocalDate today, Map<String, UUID> plan) {
    at(
        today.minusDays(2),
        13,
        () -> {
          UUID id =
              client(
                  "Benedikt Aalto",
                  63,
                  today,
                  "back in the boat by spring",
                  "heart event, beta-blocker",
                  Mobility.USUAL,
                  School.PAIN_FREE,
                  null,
                  0,
                  4,
                  1000,
                  2000);
          screening.acceptAll(
              screening.take(
                  id,
                  answers(
                      Map.of(
                          "heart.ever",
                          "yes",
                          "heart.event",
                          "yes",
                          "heart.event.date",
                          today.minusWeeks(8).toString(),
                          "heart.device",
                          "none",
                          "pressure.high",
                          "yes",
                          "medicine.any",
                          "yes",
                          "medicine.rate",
                          "yes")),
                  "Benedikt Aalto"));
          appointments.add(id, plan.get("chair"), today, LocalTime.of(11, 15));
        });
  }

  /** A good night, and the readings the client's conditions ask for. */
  private static TodayCheck.Given said(int pain, @Nullable Pressure pressure) {
    return new TodayCheck.Given(
        pressure,
        null,
        false,
        null,
        null,
        null,
        false,
        null,
        7,
        7,
        pain,
        false,
        false,
        Set.of(TodayCheck.Sign.NONE));
  }

  /** What is said of a set; over is how many repetitions more than asked. */
  private record Said(int effort, int pain, @Nullable String where, int over) {}

  private interface Says {
    Said of(String slotKey, String family);
  }

  private UUID session(
      UUID client,
      UUID plan,
      LocalDate day,
      int hour,
      int painBefore,
      @Nullable Pressure pressure,
      Says says) {
    UUID[] id = new UUID[1];
    AsOfClock.asOf(
        moment(day, hour, 0),
        () -> {
          id[0] = runs.start(client, plan, said(painBefore, pressure), null);
          live(id[0], says);
        });
    at(day, hour + 1, () -> runs.close(id[0], 5, "GOOD"));
    return id[0];
  }

  private void live(UUID run, Says says) {
    RunSheet sheet = runs.sheet(run);
    RunSheet.Person who = sheet.people().get(0);
    Instant begun = studios.now();
    List<RunEvent> events = new ArrayList<>();
    events.add(new RunEvent.Start(stamp(begun, 0)));
    for (Segment g : sheet.timeline().segments()) {
      if (g.block() == Block.WORK && g.kind() == Segment.Kind.WORK) {
        RunSheet.Slot slot = who.slot(g.slotKey()).orElseThrow();
        RunSheet.Part part = slot.part(g.side());
        String family = part.form().familyId();
        Said said = says.of(slot.key(), family == null ? "" : family);
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

  private static Stamp stamp(Instant at, int seq) {
    return new Stamp(UUID.randomUUID(), "studio tablet", at.toEpochMilli(), seq);
  }

  private UUID started(
      LocalDate start,
      String name,
      int age,
      String goal,
      String facts,
      Mobility mobility,
      School school,
      @Nullable String by,
      int usual,
      int effort,
      Map<String, String> yes,
      int... grams) {
    UUID[] id = new UUID[1];
    at(
        start,
        10,
        () -> {
          id[0] = client(name, age, start, goal, facts, mobility, school, by, usual, effort, grams);
          screening.acceptAll(screening.take(id[0], answers(yes), name));
        });
    return id[0];
  }

  private UUID client(
      String name,
      int age,
      LocalDate day,
      String goal,
      String facts,
      Mobility mobility,
      School school,
      @Nullable String by,
      int usual,
      int effort,
      int... grams) {
    List<Weight> weights = new ArrayList<>();
    for (int g : grams) {
      weights.add(new Weight(g, 2));
    }
    Set<Kit> kit =
        EnumSet.of(
            Kit.CHAIR,
            Kit.WALL,
            Kit.COUNTER,
            Kit.DUMBBELLS,
            Kit.BAND,
            Kit.MAT,
            Kit.CUSHION,
            Kit.TOWEL,
            Kit.STEP,
            Kit.WEDGE);
    String email = name.split(" ")[0].toLowerCase(java.util.Locale.ROOT) + "@post.example";
    return clients.add(
        new Clients.NewClient(
            name,
            day.minusYears(age).minusDays(70),
            email,
            goal,
            facts,
            mobility,
            school,
            by,
            usual,
            effort,
            new Kitbag(kit, weights)));
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

  private static Limits.NewLimit firm(
      String axis, Side side, int cap, String source, LocalDate from, @Nullable LocalDate until) {
    return new Limits.NewLimit(axis, side, cap, Strength.FIRM, source, null, from, until, until);
  }

  private static List<Slot> timed(String prefix, int seconds, String... movements) {
    List<Slot> slots = new ArrayList<>();
    for (String m : movements) {
      slots.add(new Slot(prefix + (slots.size() + 1), m, seconds));
    }
    return slots;
  }

  private static List<Slot> work(String... movements) {
    List<Slot> slots = new ArrayList<>();
    for (String m : movements) {
      slots.add(new Slot("s" + (slots.size() + 1), m, null));
    }
    return slots;
  }

  private static SessionPlan steady() {
    return SessionPlan.of(
        timed("w", 75, "shoulder-rolls", "march", "side-step", "step-jack", "wall-hinge"),
        work(
            "squat",
            "hinged-row",
            "floor-push-up",
            "overhead-press",
            "seated-twist",
            "one-leg-stand"),
        Format.intervals(45, 30, 2),
        timed("c", 60, "calf-stretch", "chest-opening", "cat-cow", "seated-breathing"));
  }

  private static SessionPlan chair() {
    return SessionPlan.of(
        timed("w", 75, "shoulder-rolls", "seated-walk", "seated-jack", "arm-circles"),
        work(
            "stand-chair",
            "seated-band-row",
            "band-press-seated",
            "seated-curl-alternate",
            "hip-to-hip-pass",
            "seated-toes-heels"),
        Format.intervals(40, 30, 2),
        timed("c", 60, "side-reach", "chest-opening", "seated-breathing"));
  }

  private static SessionPlan shortOne() {
    return SessionPlan.of(
        timed("w", 60, "shoulder-rolls", "seated-walk", "seated-arm-swing"),
        work(
            "stand-chair", "seated-band-row", "wall-push-up", "heel-raise-held", "hip-to-hip-pass"),
        Format.intervals(30, 30, 1),
        timed("c", 60, "chest-opening", "seated-breathing", "side-reach"));
  }

  private static SessionPlan pregnancy() {
    return SessionPlan.of(
        timed("w", 75, "shoulder-rolls", "march", "side-step", "seated-jack"),
        work(
            "goblet-squat",
            "supported-row",
            "supine-dumbbell-press",
            "overhead-press",
            "supine-bridge",
            "one-leg-stand",
            "forearm-plank"),
        Format.intervals(40, 30, 2),
        timed("c", 60, "calf-stretch", "side-reach", "cat-cow", "lying-breathing"));
  }
}
