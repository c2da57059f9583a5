package riposo.server.day.internal;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
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
import riposo.server.client.Clients;
import riposo.server.group.Groups;
import riposo.server.platform.Download;
import riposo.server.platform.Stamped;
import riposo.server.platform.Stamps;
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

  /** Texts by their lines; at most some 20 MB. */
  private final Stamped<Key, Lines, String> texts = new Stamped<>(20_000_000, String::length);

  /** The same texts, while nothing at all changed. */
  private final Stamped<Key, Under, String> known = new Stamped<>(20_000_000, String::length);

  private final AppointmentStore store;
  private final Clients clients;
  private final ClientFacts clientFacts;
  private final SessionFacts sessions;
  private final Groups groups;
  private final Studios studios;
  private final Stamps stamps;

  CalendarService(
      AppointmentStore store,
      Clients clients,
      ClientFacts clientFacts,
      SessionFacts sessions,
      Groups groups,
      Studios studios,
      Stamps stamps) {
    this.store = store;
    this.clients = clients;
    this.clientFacts = clientFacts;
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
    List<Line> lines = new ArrayList<>();
    Map<UUID, ClientFacts.Fact> who = clientFacts.all(today, false).of();
    List<AppointmentRow> rows =
        (clientId == null
                ? store.findByOnDateBetweenOrderByOnDate(today, today.plusDays(AHEAD))
                : store.findByClientIdAndOnDateGreaterThanEqualOrderByOnDate(clientId, today))
            .stream().filter(a -> who.containsKey(a.clientId)).toList();
    Map<UUID, SessionFacts.Fact> facts = sessions.of(rows);
    for (AppointmentRow a : rows) {
      ClientFacts.Fact c = Objects.requireNonNull(who.get(a.clientId));
      SessionFacts.Fact of = Objects.requireNonNull(facts.get(a.id));
      lines.add(
          new Line(
              a.onDate.atTime(a.atTime).atZone(zone).toInstant(),
              Math.max(600, of.totalSeconds()),
              c.name() + ", " + of.plan(),
              a.id + "@riposo"));
    }
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
    return lines;
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
