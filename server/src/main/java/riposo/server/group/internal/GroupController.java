package riposo.server.group.internal;

import jakarta.validation.Valid;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.Heavy;
import riposo.server.platform.IfMatch;

/** Groups and their sheet, over HTTP. */
@RestController
@RequestMapping(value = "/api/groups", produces = "application/json")
class GroupController {
  private final GroupService service;
  private final MeetingService meetings;

  GroupController(GroupService service, MeetingService meetings) {
    this.meetings = meetings;
    this.service = service;
  }

  @GetMapping
  List<GroupService.GroupView> list(@RequestParam(defaultValue = "false") boolean archived) {
    return service.list(archived);
  }

  @GetMapping("/{id}")
  GroupService.GroupView one(@PathVariable UUID id) {
    return service.one(id);
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  GroupService.GroupView create(@Valid @RequestBody GroupService.GroupForm f) {
    return service.create(f);
  }

  @PutMapping("/{id}")
  GroupService.GroupView change(
      @PathVariable UUID id, @IfMatch long version, @Valid @RequestBody GroupService.GroupForm f) {
    return service.change(id, version, f);
  }

  @PostMapping("/{id}/archive")
  GroupService.GroupView archive(@PathVariable UUID id) {
    return service.archive(id);
  }

  @PostMapping("/{id}/restore")
  GroupService.GroupView restore(@PathVariable UUID id) {
    return service.restore(id);
  }

  @Heavy
  @GetMapping("/{id}/sheet")
  GroupSheet sheet(
      @PathVariable UUID id, @RequestParam(required = false) @Nullable LocalDate date) {
    return meetings.sheet(id, date);
  }

  /** Somebody comes; the others keep their lanes where that is possible. */
  @PostMapping("/{id}/meetings/{date}/drop-in")
  GroupSheet dropIn(
      @PathVariable UUID id,
      @PathVariable LocalDate date,
      @Valid @RequestBody MeetingService.Who who) {
    return meetings.dropIn(id, date, who);
  }

  /** Somebody stays away today, or comes after all. */
  @PostMapping("/{id}/meetings/{date}/away")
  GroupSheet away(
      @PathVariable UUID id,
      @PathVariable LocalDate date,
      @Valid @RequestBody MeetingService.Away body) {
    return meetings.away(id, date, body);
  }

  /** Puts somebody in a lane; every slot is checked again. */
  @PostMapping("/{id}/meetings/{date}/move")
  GroupSheet move(
      @PathVariable UUID id,
      @PathVariable LocalDate date,
      @Valid @RequestBody MeetingService.Move body) {
    return meetings.move(id, date, body);
  }

  /** Forgets lanes kept and moves made: the search decides anew. */
  @PostMapping("/{id}/meetings/{date}/anew")
  GroupSheet anew(@PathVariable UUID id, @PathVariable LocalDate date) {
    return meetings.anew(id, date);
  }
}
