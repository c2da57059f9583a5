package riposo.server.day.internal;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.wording.MorningWords;
import riposo.server.checkin.CheckIns;
import riposo.server.client.Clients;
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

  private final CheckIns checkIns;
  private final CheckIns.Effects effects;
  private final Clients clients;
  private final Studios studios;

  Mornings(CheckIns checkIns, CheckIns.Effects effects, Clients clients, Studios studios) {
    this.checkIns = checkIns;
    this.effects = effects;
    this.clients = clients;
    this.studios = studios;
  }

  /** Those that stop first, then the newest. */
  List<MorningView> on(LocalDate day) {
    return checkIns.answeredOn(day).stream()
        .map(this::view)
        .sorted(Comparator.comparing(MorningView::stops).reversed())
        .toList();
  }

  private MorningView view(CheckIns.Answer a) {
    return new MorningView(
        a.id(),
        a.clientId(),
        clients.require(a.clientId()).name(),
        studios.time(a.at()),
        a.session(),
        a.kind() == CheckIns.Kind.SECOND,
        a.askedBy(),
        MorningWords.answer(a.told()),
        !a.told().signs().isEmpty() || a.told().worstPain() > 7,
        effects.of(a.runId(), a.clientId()));
  }
}
