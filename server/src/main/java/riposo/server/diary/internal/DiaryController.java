package riposo.server.diary.internal;

import jakarta.validation.Valid;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.diary.Diary;

/** A client's diary over HTTP. */
@RestController
@RequestMapping(value = "/api/clients/{clientId}/diary", produces = "application/json")
class DiaryController {
  /** An entry that was noted, so that it can be taken back. */
  record Noted(UUID id) {}

  private final DiaryService service;

  DiaryController(DiaryService service) {
    this.service = service;
  }

  /** What touches the days from one on, in time order; all of it where none is given. */
  @GetMapping
  List<Diary.Mark> marks(
      @PathVariable UUID clientId, @RequestParam(required = false) @Nullable LocalDate from) {
    return service.marks(clientId, from == null ? LocalDate.EPOCH : from);
  }

  /** What was different before a day. */
  @GetMapping("/before")
  DiaryService.DayBefore before(@PathVariable UUID clientId, @RequestParam LocalDate on) {
    return service.before(clientId, on);
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  Noted add(@PathVariable UUID clientId, @Valid @RequestBody DiaryService.EntryForm body) {
    return new Noted(service.add(clientId, body).id);
  }

  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID clientId, @PathVariable UUID id) {
    service.remove(clientId, id);
  }
}
