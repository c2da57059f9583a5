package riposo.server.group.internal;

import jakarta.validation.Valid;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The run of a group, over HTTP. */
@RestController
@RequestMapping(value = "/api/groups/{id}", produces = "application/json")
class GroupRunController {
  private final GroupRuns runs;

  GroupRunController(GroupRuns runs) {
    this.runs = runs;
  }

  /** Who is here today, and what is asked of each before the start. */
  @GetMapping("/start")
  GroupRuns.GroupBefore before(@PathVariable UUID id) {
    return runs.before(id);
  }

  /** Starts everybody named, or nobody. */
  @PostMapping("/runs")
  @ResponseStatus(HttpStatus.CREATED)
  GroupRuns.GroupRunView start(
      @PathVariable UUID id, @Valid @RequestBody GroupRuns.GroupStart body) {
    return runs.start(id, body);
  }

  /** Takes somebody in who comes while it runs. */
  @PostMapping("/runs/{runId}/people")
  @ResponseStatus(HttpStatus.CREATED)
  GroupRuns.GroupRunView join(
      @PathVariable UUID id,
      @PathVariable UUID runId,
      @Valid @RequestBody GroupRuns.GroupJoining body) {
    return runs.join(id, runId, body);
  }
}
