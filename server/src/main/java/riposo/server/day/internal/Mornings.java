package riposo.server.day.internal;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.wording.MorningWords;
import riposo.server.checkin.CheckIns;
import riposo.server.platform.Stamped;
import riposo.server.platform.Stamps;
import riposo.server.platform.Studios;

/** What clients told today of the days after, and what it did. */
@Service
@Transactional(readOnly = true)
class Mornings {
  /**
   * A check-in that was answered today.
   *
   * @param time "08:12" in the studio's zone
   * @param askedBy who asked by phone or at the door; null where the client told it by the link
   * @param stops a new sign, or pain over 7
   * @param did the verdicts it changed, in sentences
   */
  record MorningView(
      UUID checkInId,
      UUID clientId,
      String client,
      String time,
      LocalDate session,
      boolean second,
      @Nullable String askedBy,
      String sentence,
      boolean stops,
      List<String> did) {}

  private record Under(Stamps.Sum stamps, LocalDate day) {}

  /** By how many are shown. */
  private final Stamped<Integer, Under, Told> known = new Stamped<>(100);

  private final CheckIns checkIns;
  private final CheckIns.Effects effects;
  private final ClientFacts facts;
  private final Studios studios;
  private final Stamps stamps;

  Mornings(
      CheckIns checkIns,
      CheckIns.Effects effects,
      ClientFacts facts,
      Studios studios,
      Stamps stamps) {
    this.checkIns = checkIns;
    this.effects = effects;
    this.facts = facts;
    this.studios = studios;
    this.stamps = stamps;
  }

  /**
   * The first of them and how many there are.
   *
   * @param shown all that stop, and the newest of the others
   */
  record Told(List<MorningView> shown, int all) {}

  /** All of a day: those that stop first, then the newest. */
  List<MorningView> on(LocalDate day) {
    return told(day, facts.all(day, false).of(), Integer.MAX_VALUE).shown();
  }

  /** The same for a sheet that shows so many, where the facts of everybody are known. */
  Told told(LocalDate day, Map<UUID, ClientFacts.Fact> of, int most) {
    return known.of(most, new Under(stamps.sum(), day), () -> read(day, of, most));
  }

  private Told read(LocalDate day, Map<UUID, ClientFacts.Fact> of, int most) {
    List<CheckIns.Answer> all =
        checkIns.answeredOn(day).stream()
            .filter(a -> of.containsKey(a.clientId()))
            .sorted(Comparator.comparing(Mornings::stops).reversed())
            .toList();
    long stopping = all.stream().filter(Mornings::stops).count();
    List<CheckIns.Answer> shown = all.stream().limit(Math.max(most, stopping)).toList();
    effects.readAhead(shown.stream().map(CheckIns.Answer::runId).toList());
    return new Told(
        shown.stream()
            .map(a -> view(a, Objects.requireNonNull(of.get(a.clientId())).name()))
            .toList(),
        all.size());
  }

  private static boolean stops(CheckIns.Answer a) {
    return !a.told().signs().isEmpty() || a.told().worstPain() > 7;
  }

  private MorningView view(CheckIns.Answer a, String client) {
    return new MorningView(
        a.id(),
        a.clientId(),
        client,
        studios.time(a.at()),
        a.session(),
        a.kind() == CheckIns.Kind.SECOND,
        a.askedBy(),
        MorningWords.answer(a.told()),
        stops(a),
        effects.of(a.runId(), a.clientId()));
  }
}
