package riposo.server.client.internal;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.IfMatch;

/** Studio rooms and client homes, and the grip on a band, over HTTP. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
class RoomController {
  private final RoomService service;

  RoomController(RoomService service) {
    this.service = service;
  }

  @GetMapping("/rooms")
  List<RoomService.RoomView> rooms() {
    return service.rooms();
  }

  @PostMapping("/rooms")
  @ResponseStatus(HttpStatus.CREATED)
  RoomService.RoomView add(@Valid @RequestBody RoomService.RoomForm f) {
    return service.add(f);
  }

  @PutMapping("/rooms/{id}")
  RoomService.RoomView change(
      @PathVariable UUID id, @IfMatch long version, @Valid @RequestBody RoomService.RoomForm f) {
    return service.change(id, version, f);
  }

  @DeleteMapping("/rooms/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID id, @IfMatch long version) {
    service.remove(id, version);
  }

  /** Where to grip a band for a wanted pull; nothing is stored. */
  @PostMapping("/bands/grip")
  RoomService.GripView grip(@Valid @RequestBody RoomService.GripQuestion q) {
    return service.grip(q);
  }
}
