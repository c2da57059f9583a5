package riposo.server.run.internal;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.catalogue.EventDocument;
import riposo.core.run.AfterSymptom;
import riposo.core.today.TodayCheck;
import riposo.server.platform.PageNumber;
import riposo.server.platform.Paged;
import riposo.server.platform.Studios;
import riposo.server.run.Runs;
import tools.jackson.databind.JsonNode;

/** Runs over HTTP. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
class RunController {
  /**
   * A start: today's check, and a word where one is wanted.
   *
   * @param id made by the device, so that the same start sent twice is one run
   * @param dose another dose than the check's, with a reason; never past what rules today out
   * @param groupId the group it is started with; then no reason passes an open ask first
   */
  record Start(
      @Nullable UUID id,
      @NotNull UUID clientId,
      @NotNull UUID planId,
      @Nullable UUID checkId,
      TodayCheck.@Nullable Dose dose,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String reason,
      @Nullable UUID groupId) {}

  /**
   * Events of a device, each as sent: they are read and answered one by one.
   *
   * @param clock what the device's clock says at the sending, ms since 1970 UTC, as devices count
   *     it, with fractions; null in older ones
   */
  record Events(
      @NotEmpty(message = "No events.")
          @JsonSetter(contentNulls = Nulls.SET) // answered like the others: none holds back a stop
          @ArraySchema(schema = @Schema(implementation = EventDocument.class))
          List<JsonNode> events,
      @Schema(types = "number", format = "double") @Nullable JsonNode clock) {
    /**
     * In whole ms; null where it does not tell, or nothing that is a time: no stop waits for it.
     */
    @Nullable Long millis() {
      return clock != null && clock.isNumber() && Double.isFinite(clock.doubleValue())
          ? Math.round(clock.doubleValue())
          : null;
    }
  }

  /**
   * Words after a run.
   *
   * @param clientId whose; null where the run has one person
   * @param symptom what is felt; null where it was not asked
   */
  record After(
      @NotNull(message = "Ask for the effort of the session.")
          @Min(value = 0, message = "Effort runs from 0 to 10.")
          @Max(value = 10, message = "Effort runs from 0 to 10.")
          Integer effort,
      @NotNull(message = "Ask how it felt.")
          @Pattern(regexp = "GOOD|SO_SO|POOR", message = "Good, so-so or poor.")
          String feel,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String note,
      @Nullable UUID clientId,
      @Nullable AfterSymptom symptom) {}

  private final RunService runs;
  private final EventService events;
  private final RunViews views;
  private final Studios studios;

  RunController(RunService runs, EventService events, RunViews views, Studios studios) {
    this.runs = runs;
    this.events = events;
    this.views = views;
    this.studios = studios;
  }

  @PostMapping("/runs")
  @ResponseStatus(HttpStatus.CREATED)
  RunViews.RunView start(@Valid @RequestBody Start f) {
    return views.view(
        runs.start(
                new RunService.Start(
                    f.id(),
                    f.clientId(),
                    f.planId(),
                    f.checkId(),
                    f.dose(),
                    f.reason(),
                    f.groupId()))
            .id);
  }

  /** The server's time, ms since 1970 UTC: what the devices of a run go by. */
  record Now(long now) {}

  @GetMapping("/time")
  Now time() {
    return new Now(studios.now().toEpochMilli());
  }

  /** The run with all a device needs of it, the stop panel's signs too. */
  @GetMapping("/runs/{id}")
  RunViews.RunView show(@PathVariable UUID id) {
    runs.endLeftOpen();
    return views.view(id);
  }

  /**
   * A page of a client's runs in short, newest first.
   *
   * @param page from 0
   */
  @GetMapping("/clients/{clientId}/runs")
  Paged<Runs.Summary> of(
      @PathVariable UUID clientId, @RequestParam(defaultValue = "0") @PageNumber int page) {
    runs.endLeftOpen();
    return runs.of(clientId, page);
  }

  /**
   * Keeps each event once, whatever the order and however often it is sent, and answers one by one:
   * one that is refused never holds back the next. A STOP is always kept.
   */
  @PostMapping("/runs/{id}/events")
  EventService.Kept events(@PathVariable UUID id, @Valid @RequestBody Events body) {
    return events.events(id, body.events(), body.millis());
  }

  /** The events themselves, for a device that comes back. */
  @GetMapping("/runs/{id}/events")
  List<EventDocument> list(@PathVariable UUID id) {
    return runs.logged(id);
  }

  @PostMapping("/runs/{id}/after")
  RunViews.RunView after(@PathVariable UUID id, @Valid @RequestBody After f) {
    runs.close(id, f.clientId(), f.effort(), f.feel(), f.note(), f.symptom());
    return views.view(id);
  }
}
