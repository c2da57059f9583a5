package riposo.server.day.internal;

import java.text.Normalizer;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.screening.Outcome;
import riposo.server.group.Groups;
import riposo.server.plan.Plans;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;

/** The clients at a glance: what each has, when they come next, what waits; page by page. */
@Service
@Transactional(readOnly = true)
class ClientListService {
  /** The next session or meeting, and of what. */
  record Next(LocalDate date, LocalTime time, String what) {}

  /**
   * @param outcome where the client stands; null when not screened
   * @param conditions as the newest screening found them, and of the record
   * @param next null when nothing is set
   */
  record ClientLine(
      UUID id,
      String name,
      int age,
      @Nullable String facts,
      @Nullable String goal,
      @Nullable LocalDate archivedOn,
      @Nullable Outcome outcome,
      List<String> conditions,
      @Nullable Next next,
      List<Waits.WaitView> waits) {}

  /**
   * A page of the list.
   *
   * @param total how many are found, on all pages
   * @param all how many there are, found or not
   * @param page of the lines, from 0
   * @param pages at least 1
   * @param waiting how many clients of all have something of each kind waiting
   */
  record ClientPage(
      List<ClientLine> lines,
      int total,
      int all,
      int page,
      int pages,
      Map<String, Integer> waiting) {}

  /** When somebody comes next. */
  enum Coming {
    TODAY,
    /** Within seven days from today. */
    WEEK,
    /** Nothing is set. */
    NOTHING
  }

  /** What the list is ordered by. */
  enum Order {
    NAME,
    /** Who comes first, first; who has nothing set, last. */
    NEXT
  }

  /**
   * What is looked for.
   *
   * @param find words that name, conditions, facts, goal, next session or what waits must hold
   * @param waits a kind of what waits; null for whatever
   */
  record Wanted(
      boolean archived,
      @Nullable String find,
      @Nullable String waits,
      @Nullable Coming coming,
      Order order,
      int page,
      int size) {}

  /** A client by name, to choose from. */
  record ClientName(UUID id, String name, int age, @Nullable String facts) {}

  private final ClientFacts facts;
  private final Plans plans;
  private final Groups groups;
  private final Waits waits;
  private final Studios studios;

  ClientListService(ClientFacts facts, Plans plans, Groups groups, Waits waits, Studios studios) {
    this.facts = facts;
    this.plans = plans;
    this.groups = groups;
    this.waits = waits;
    this.studios = studios;
  }

  /** Active clients by name. */
  List<ClientName> names() {
    return facts.all(studios.today(), false).byName().stream()
        .map(f -> new ClientName(f.id(), f.name(), f.age(), f.facts()))
        .toList();
  }

  /** A page of those found; with the archived ones where asked, for whom nothing waits. */
  ClientPage page(Wanted w) {
    LocalDate today = studios.today();
    ClientFacts.Everybody everybody = facts.all(today, w.archived());
    Map<UUID, ClientFacts.Fact> all = everybody.of();
    Map<UUID, List<Waits.WaitView>> waiting =
        waits.each(today, everybody).stream()
            .collect(
                Collectors.groupingBy(
                    Waits.WaitView::clientId, LinkedHashMap::new, Collectors.toList()));
    Map<UUID, Next> next = next(today, everybody.byName());
    Predicate<ClientLine> wanted = wanted(w, today);
    List<ClientLine> found =
        all.values().stream()
            .map(f -> line(f, next.get(f.id()), waiting.getOrDefault(f.id(), List.of())))
            .filter(wanted)
            .sorted(order(w.order()))
            .toList();
    int pages = Math.max(1, (found.size() + w.size() - 1) / w.size());
    if (w.page() >= pages) {
      throw Problems.field(
          "/page", "There " + (pages == 1 ? "is 1 page" : "are " + pages + " pages") + ", from 0.");
    }
    Map<String, Integer> counted = new LinkedHashMap<>();
    waiting
        .values()
        .forEach(
            of ->
                of.stream()
                    .map(Waits.WaitView::kind)
                    .distinct()
                    .forEach(k -> counted.merge(k, 1, Integer::sum)));
    return new ClientPage(
        found.stream().skip((long) w.page() * w.size()).limit(w.size()).toList(),
        found.size(),
        all.size(),
        w.page(),
        pages,
        counted);
  }

  private static ClientLine line(
      ClientFacts.Fact f, @Nullable Next next, List<Waits.WaitView> waits) {
    return new ClientLine(
        f.id(),
        f.name(),
        f.age(),
        f.facts(),
        f.goal(),
        f.archivedOn(),
        f.outcome(),
        f.conditions(),
        f.archivedOn() == null ? next : null,
        waits);
  }

  private static Predicate<ClientLine> wanted(Wanted w, LocalDate today) {
    List<String> words =
        w.find() == null
            ? List.of()
            : Arrays.stream(plain(w.find()).split("\\s+")).filter(x -> !x.isEmpty()).toList();
    return line ->
        (w.waits() == null || line.waits().stream().anyMatch(x -> x.kind().equals(w.waits())))
            && (w.coming() == null || comes(line.next(), w.coming(), today))
            && (words.isEmpty() || says(line, words));
  }

  private static boolean comes(@Nullable Next next, Coming when, LocalDate today) {
    return switch (when) {
      case NOTHING -> next == null;
      case TODAY -> next != null && next.date().equals(today);
      case WEEK -> next != null && next.date().isBefore(today.plusDays(7));
    };
  }

  private static boolean says(ClientLine c, List<String> words) {
    Next next = c.next();
    String said =
        plain(
            Stream.of(
                    Stream.of(c.name()),
                    Stream.ofNullable(c.facts()),
                    Stream.ofNullable(c.goal()),
                    c.conditions().stream(),
                    c.waits().stream().map(Waits.WaitView::text),
                    Stream.ofNullable(next).map(Next::what))
                .flatMap(s -> s)
                .collect(Collectors.joining(" ")));
    return words.stream().allMatch(said::contains);
  }

  /** In small letters and without accents. */
  private static String plain(String s) {
    return Normalizer.normalize(s, Normalizer.Form.NFD)
        .replaceAll("\\p{M}", "")
        .toLowerCase(Locale.ROOT);
  }

  private static Comparator<ClientLine> order(Order by) {
    Comparator<ClientLine> name =
        Comparator.comparing(ClientLine::name).thenComparing(ClientLine::id);
    return by == Order.NAME
        ? name
        : Comparator.comparing(
                ClientLine::next,
                Comparator.nullsLast(Comparator.comparing(Next::date).thenComparing(Next::time)))
            .thenComparing(name);
  }

  /** Sessions and meetings from today on, the first of each client. */
  private Map<UUID, Next> next(LocalDate today, List<ClientFacts.Fact> who) {
    Map<UUID, Next> first = new HashMap<>();
    groups.next(today).forEach((id, m) -> first.put(id, new Next(m.date(), m.time(), m.name())));
    Comparator<Next> order = Comparator.comparing(Next::date).thenComparing(Next::time);
    for (ClientFacts.Fact f : who) {
      AppointmentStore.Line a = f.next();
      if (a != null) {
        Next n = new Next(a.on(), a.at(), plans.require(a.planId()).name());
        first.merge(f.id(), n, (x, y) -> order.compare(x, y) <= 0 ? x : y);
      }
    }
    return first;
  }
}
