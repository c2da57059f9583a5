package riposo.server.checkin.internal;

import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import riposo.core.tolerance.NextDay;
import riposo.core.wording.MorningWords;
import riposo.core.wording.Wording;
import riposo.server.checkin.CheckIns;
import riposo.server.client.Clients;
import riposo.server.platform.Studios;

/** Check-ins as they are shown. */
@Component
@Transactional(readOnly = true)
class AskViews {
  /** Where a check-in stands. */
  enum Stands {
    EARLY,
    OPEN,
    /** The client's link is good no more; the professional may still ask. */
    LINK_OVER,
    ANSWERED,
    OVER
  }

  /**
   * A check-in as the professional sees it.
   *
   * @param link sent to the client; null where none is kept
   * @param answer null while there is none
   * @param sentence the answer in words; null while there is none
   * @param toldBy how the answer came, with who asked; null while there is none
   * @param changeUntil the time until which it may be changed; null where it may not
   * @param emergency an emergency sign of it stands
   * @param mayBeError it was told today, so that it can be withdrawn as told in error
   * @param did what it changed
   */
  record AskView(
      UUID id,
      UUID clientId,
      String client,
      UUID runId,
      LocalDate session,
      boolean second,
      Stands stands,
      LocalDate opensOn,
      LocalDate linkUntil,
      LocalDate askUntil,
      @Nullable String link,
      @Nullable NextDay answer,
      @Nullable String sentence,
      @Nullable String toldBy,
      @Nullable String changeUntil,
      boolean emergency,
      boolean mayBeError,
      List<String> did) {}

  private final CheckInService service;
  private final Clients clients;
  private final Studios studios;
  private final ObjectProvider<CheckIns.Effects> effects;

  AskViews(
      CheckInService service,
      Clients clients,
      Studios studios,
      ObjectProvider<CheckIns.Effects> effects) {
    this.service = service;
    this.clients = clients;
    this.studios = studios;
    this.effects = effects;
  }

  /** The client's page of one that is open to them. */
  CheckInController.Page page(CheckInRows.CheckIn c, Studios.Studio s) {
    Instant until = service.changeUntil(c);
    return new CheckInController.Page(
        service.firstName(c.clientId),
        s.name(),
        s.emergencyNumber(),
        Wording.day(c.session()),
        c.kind == CheckIns.Kind.SECOND,
        (int) Math.max(0, ChronoUnit.DAYS.between(c.opensOn, studios.today())),
        service.told(c),
        until == null ? null : studios.time(until));
  }

  AskView ask(UUID id) {
    CheckInRows.CheckIn c = service.require(id);
    LocalDate today = studios.today();
    NextDay answer = service.told(c);
    Instant at = c.answeredAt;
    Instant until = service.changeUntil(c);
    boolean emergency =
        answer != null && c.errorBy == null && answer.signs().contains(NextDay.Sign.EMERGENCY);
    CheckIns.Effects did = effects.getIfAvailable();
    return new AskView(
        c.id,
        c.clientId,
        clients.require(c.clientId).name(),
        c.runId,
        c.session(),
        c.kind == CheckIns.Kind.SECOND,
        stands(c, today),
        c.opensOn,
        c.expiresOn,
        CheckInService.askUntil(c),
        at == null && !today.isAfter(c.expiresOn) ? service.link(c) : null,
        answer,
        answer == null ? null : MorningWords.answer(answer),
        at == null ? null : toldBy(c, at),
        until == null ? null : studios.time(until),
        emergency,
        emergency && at != null && studios.day(at).equals(today),
        answer == null || did == null ? List.of() : did.of(c.runId, c.clientId));
  }

  private String toldBy(CheckInRows.CheckIn c, Instant at) {
    String how =
        c.toldHow == CheckInRows.How.PHONE
            ? "by phone"
            : c.toldHow == CheckInRows.How.DOOR ? "at the door" : "by the link";
    return Wording.day(studios.day(at))
        + ", "
        + studios.time(at)
        + ", "
        + how
        + (c.askedBy == null ? "" : ", asked by " + c.askedBy)
        + (c.changedAt == null ? "" : "; changed at " + studios.time(c.changedAt))
        + (c.errorBy == null
            ? ""
            : "; sign withdrawn as told in error by " + c.errorBy + ": " + c.errorReason);
  }

  private static Stands stands(CheckInRows.CheckIn c, LocalDate today) {
    return c.answeredAt != null
        ? Stands.ANSWERED
        : today.isBefore(c.opensOn)
            ? Stands.EARLY
            : !today.isAfter(c.expiresOn)
                ? Stands.OPEN
                : !today.isAfter(CheckInService.askUntil(c)) ? Stands.LINK_OVER : Stands.OVER;
  }
}
