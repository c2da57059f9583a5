package riposo.server.client.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
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
import riposo.server.client.ClientRecord;
import riposo.server.client.Clients;
import riposo.server.platform.Heavy;
import riposo.server.platform.IfMatch;
import riposo.server.platform.PageNumber;
import riposo.server.platform.Paged;

/** Clients: list, add, edit, over HTTP. */
@RestController
@RequestMapping(value = "/api/clients", produces = "application/json")
class ClientController {
  private final ClientService service;

  ClientController(ClientService service) {
    this.service = service;
  }

  /** Active clients by name; with the archived ones where asked. */
  @Heavy
  @GetMapping
  List<Clients.Client> list(@RequestParam(defaultValue = "false") boolean archived) {
    return service.list(archived);
  }

  /**
   * A page of who trains where, by name.
   *
   * @param find what the name must hold; empty for everybody
   */
  @GetMapping("/trains")
  Paged<ClientService.Trains> trains(
      @RequestParam(defaultValue = "") @Size(max = 120, message = "At most 120 characters.")
          String find,
      @RequestParam(defaultValue = "0") @PageNumber int page) {
    return service.trains(find, page);
  }

  /** One client; that somebody looked is on record, once a day. */
  @GetMapping("/{id}")
  Clients.Client open(@PathVariable UUID id) {
    return service.open(id);
  }

  /** Replaces the client record. */
  @PutMapping("/{id}/record")
  Clients.Client record(
      @PathVariable UUID id, @IfMatch long version, @Valid @RequestBody ClientRecord body) {
    return service.record(id, version, body);
  }

  /** Sets where the client trains: a studio room or the own home. */
  @PutMapping("/{id}/place")
  Clients.Client place(
      @PathVariable UUID id, @IfMatch long version, @Valid @RequestBody ClientService.Place body) {
    return service.place(id, version, body);
  }

  /** Archives: kept, but out of the lists and not to be trained. */
  @PostMapping("/{id}/archive")
  Clients.Client archive(@PathVariable UUID id) {
    return service.archive(id);
  }

  @PostMapping("/{id}/restore")
  Clients.Client restore(@PathVariable UUID id) {
    return service.restore(id);
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  Clients.Client add(@Valid @RequestBody ClientService.ClientForm form) {
    return service.add(form);
  }

  @PutMapping("/{id}")
  Clients.Client change(
      @PathVariable UUID id,
      @IfMatch long version,
      @Valid @RequestBody ClientService.ClientForm form) {
    return service.change(id, version, form);
  }
}
