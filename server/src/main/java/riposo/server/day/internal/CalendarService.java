package riposo.server.day.internal;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Location;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.typed.Days;
import riposo.server.client.Clients;
import riposo.server.group.Groups;
import riposo.server.platform.Download;
import riposo.server.platform.ReadAhead;
import riposo.server.platform.Stamped;
import riposo.server.platform.Stamps;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;

/**
 * Sessions as a calendar file (RFC 5545). Names only: no health fact leaves the studio in a
 * calendar.
 */
@Service
@Transactional
class CalendarService {
  /** How far ahead groups that meet every week are written out. */
  private static final int DAYS = 28;

  /** How far ahead everybody's sessions are written out. */
  private static final int AHEAD = 91;

  /** Of more clients than this everybody's sessions are read: so many ids in a query cost more. */
  private static final int MANY = 500;

  private record Key(@Nullable UUID clientId) {}

  /**
   * What a calendar rests on.
   *
   * @param meetings of groups that are written out
   */
  private record Under(
      Stamps.Sum stamps,
      Studios.Studio studio,
      LocalDate today,
      Map<LocalDate, List<Groups.Due>> meetings) {}

  /** A session in a calendar. */
  private record Line(Instant at, int seconds, String what, String uid) {}

  private record Lines(String where, List<Line> all) {}

  /**
   * Whose sessions.
   *
   * @param whole all from today on; a quarter of a year where false
   */
  private record OwnKey(UUID clientId, boolean whole) {}

  private record OwnUnder(long client, long shared, Studios.Studio studio, LocalDate today) {}

  /** Of each client: those of whom nothing changed are as they were. */
  private final Stamped<OwnKey, OwnUnder, List<Line>> own = new Stamped<>(50_000);

  /** Texts by their lines; at most some 20 MB. */
  private final Stamped<Key, Lines, String> texts = new Stamped<>(20_000_000, String::length);

  /** The same texts, while nothing at all changed. */
  private final Stamped<Key, Under, String> known = new Stamped<>(20_000_000, String::length);

  private final AppointmentStore store;
  private final Clients clients;
  private final ReadAhead ahead;
  private final SessionFacts sessions;
  private final Groups groups;
  private final Studios studios;
  private final Stamps stamps;

  CalendarService(
      AppointmentStore store,
      Clients clients,
      ReadAhead ahead,
      SessionFacts sessions,
      Groups groups,
      Studios studios,
      Stamps stamps) {
    this.store = store;
    this.clients = clients;
    this.ahead = ahead;
    this.sessions = sessions;
    this.groups = groups;
    this.studios = studios;
    this.stamps = stamps;
  }

  /**
   * Sessions from today on: of one client all, of everybody a quarter of a year ahead; groups four
   * weeks ahead.
   */
  @Transactional(readOnly = true)
  Download<String> calendar(@Nullable UUID clientId) {
    if (clientId != null) {
      clients.require(clientId);
    }
    LocalDate today = studios.today();
    List<LocalDate> days = IntStream.range(0, DAYS).mapToObj(today::plusDays).toList();
    Under under =
        new Under(
            stamps.sum(),
            studios.current(),
            today,
            clientId == null ? groups.meetings(days) : Map.of());
    return new Download<>(
        "sessions.ics", known.of(new Key(clientId), under, () -> written(clientId, under)));
  }

  /** Most of what changes of a client changes nothing here: then the text is as it was. */
  private String written(@Nullable UUID clientId, Under under) {
    Lines lines = new Lines(under.studio().name(), lines(clientId, under));
    return texts.of(new Key(clientId), lines, () -> text(lines));
  }

  private List<Line> lines(@Nullable UUID clientId, Under under) {
    ZoneId zone = ZoneId.of(under.studio().zone());
    LocalDate today = under.today();
    long shared = stamps.of(StudioContext.current());
    Map<OwnKey, OwnUnder> who = new HashMap<>();
    stamps
        .clients(false)
        .forEach(
            (id, stamp) -> {
              if (clientId == null || clientId.equals(id)) {
                who.put(
                    new OwnKey(id, clientId != null),
                    new OwnUnder(stamp, shared, under.studio(), today));
              }
            });
    List<Line> lines = new ArrayList<>();
    own.all(who, missing -> own(missing, zone, today)).values().forEach(lines::addAll);
    for (Map.Entry<LocalDate, List<Groups.Due>> meetings : under.meetings().entrySet()) {
      LocalDate day = meetings.getKey();
      for (Groups.Due g : meetings.getValue()) {
        lines.add(
            new Line(
                day.atTime(g.time()).atZone(zone).toInstant(),
                Math.max(600, g.seconds()),
                g.name() + ", " + g.plan(),
                g.id() + "-" + day + "@riposo"));
      }
    }
    lines.sort(Comparator.comparing(Line::at).thenComparing(Line::uid));
    return lines;
  }

  private Map<OwnKey, List<Line>> own(Set<OwnKey> keys, ZoneId zone, LocalDate today) {
    boolean whole = keys.iterator().next().whole;
    Map<UUID, List<Line>> of = new HashMap<>();
    keys.forEach(k -> of.put(k.clientId, new ArrayList<>()));
    LocalDate last = whole ? Days.LAST : today.plusDays(AHEAD);
    List<AppointmentRow> rows =
        of.size() > MANY
            ? store.findByOnDateBetween(today, last).stream()
                .filter(a -> of.containsKey(a.clientId))
                .toList()
            : store.findByClientIdInAndOnDateBetween(of.keySet(), today, last);
    Map<UUID, SessionFacts.Fact> facts = sessions.of(rows);
    ahead.of(rows.stream().map(a -> a.clientId).toList(), ReadAhead.For.STANDING);
    for (AppointmentRow a : rows) {
      SessionFacts.Fact f = Objects.requireNonNull(facts.get(a.id));
      Objects.requireNonNull(of.get(a.clientId))
          .add(
              new Line(
                  a.onDate.atTime(a.atTime).atZone(zone).toInstant(),
                  Math.max(600, f.totalSeconds()),
                  clients.require(a.clientId).name() + ", " + f.plan(),
                  a.id + "@riposo"));
    }
    Map<OwnKey, List<Line>> all = new HashMap<>();
    of.forEach((id, lines) -> all.put(new OwnKey(id, whole), List.copyOf(lines)));
    return all;
  }

  private static String text(Lines lines) {
    Calendar cal = new Calendar();
    cal.add(new ProdId("-//Riposo//Sessions//EN"));
    cal.add(ImmutableVersion.VERSION_2_0);
    cal.add(ImmutableCalScale.GREGORIAN);
    lines.all().forEach(l -> cal.add(event(l, lines.where())));
    StringWriter out = new StringWriter();
    try {
      new CalendarOutputter(false).output(cal, out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toString();
  }

  private static VEvent event(Line l, String where) {
    // In UTC, so that no calendar has to know the studio's zone.
    VEvent e = new VEvent(l.at(), Duration.ofSeconds((l.seconds() + 59) / 60 * 60L), l.what());
    e.add(new Uid(l.uid()));
    e.add(new Location(where));
    return e;
  }
}
