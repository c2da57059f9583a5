package riposo.server.client.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import riposo.core.adapt.Kitbag;
import riposo.core.dose.Weight;
import riposo.core.movement.Kit;
import riposo.core.plan.Mobility;
import riposo.core.tolerance.School;
import riposo.server.client.Clients;
import riposo.server.platform.Audit;
import riposo.server.platform.Json;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;
import riposo.server.platform.Versions;

/** Clients: list, add, edit. */
@RestController
@RequestMapping(value = "/api/clients", produces = "application/json")
@Transactional
class ClientService implements Clients {
  /** What is known of a client, as sent. */
  record ClientForm(
      @NotBlank(message = "Give a name.") @Size(max = 120, message = "At most 120 characters.")
          String name,
      @NotNull(message = "Give the date of birth.") LocalDate birthDate,
      @Nullable
          @Email(message = "This is not an e-mail address.")
          @Size(max = 190, message = "At most 190 characters.")
          String email,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String goal,
      @Nullable @Size(max = 400, message = "At most 400 characters.") String facts,
      @NotNull Mobility mobility,
      @NotNull School school,
      @Nullable @Size(max = 200, message = "At most 200 characters.") String schoolBy,
      @Min(value = 0, message = "Usual pain runs from 0 to 10.")
          @Max(value = 10, message = "Usual pain runs from 0 to 10.")
          int usualPain,
      @Min(value = 1, message = "Goal effort runs from 1 to 10.")
          @Max(value = 10, message = "Goal effort runs from 1 to 10.")
          int goalEffort,
      @NotNull @Size(max = 20, message = "At most 20 kinds of kit.") Set<Kit> kit,
      @NotNull @Size(max = 30, message = "At most 30 weights.") List<Weight> weights) {}

  private final ClientStore store;
  private final Json json;
  private final Audit audit;
  private final Studios studios;

  ClientService(ClientStore store, Json json, Audit audit, Studios studios) {
    this.store = store;
    this.json = json;
    this.audit = audit;
    this.studios = studios;
  }

  @Override
  @GetMapping
  public List<Client> all() {
    LocalDate today = studios.today();
    return store.findAll().stream()
        .map(r -> client(r, today))
        .sorted(Comparator.comparing(Client::name))
        .toList();
  }

  @Override
  @GetMapping("/{id}")
  public Client require(@PathVariable UUID id) {
    return client(store.require(id, "client"), studios.today());
  }

  @PostMapping
  ResponseEntity<Client> add(@Valid @RequestBody ClientForm form) {
    ClientRow row = new ClientRow();
    row.createdAt = studios.now();
    fill(row, form);
    store.saveAndFlush(row);
    audit.changed("added", "client", row.id, row.name);
    return ResponseEntity.status(201).body(client(row, studios.today()));
  }

  @PutMapping("/{id}")
  Client change(
      @PathVariable UUID id,
      @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
      @Valid @RequestBody ClientForm form) {
    ClientRow row = store.require(id, "client");
    if (row.version != Versions.of(ifMatch)) {
      throw Problems.stale(client(row, studios.today()), form);
    }
    String before = row.name + ", " + row.school + ", goal effort " + row.goalEffort;
    fill(row, form);
    store.saveAndFlush(row);
    audit.changed(
        "changed",
        "client",
        id,
        before + " → " + row.name + ", " + row.school + ", goal effort " + row.goalEffort);
    return client(row, studios.today());
  }

  @Override
  public UUID add(NewClient c) {
    ClientForm form =
        new ClientForm(
            c.name(),
            c.birthDate(),
            c.email(),
            c.goal(),
            c.facts(),
            c.mobility(),
            c.school(),
            c.schoolBy(),
            c.usualPain(),
            c.goalEffort(),
            c.kit().items(),
            c.kit().weights());
    return java.util.Objects.requireNonNull(add(form).getBody()).id();
  }

  @Override
  public void setNoProgression(UUID id, boolean on) {
    ClientRow row = store.require(id, "client");
    if (row.noProgression != on) {
      row.noProgression = on;
      audit.changed(
          "changed",
          "client",
          id,
          on ? "no progression set by screening" : "no progression lifted by screening");
    }
  }

  private void fill(ClientRow row, ClientForm f) {
    LocalDate today = studios.today();
    if (f.birthDate().isAfter(today)) {
      throw Problems.field(
          "/birthDate", "The date of birth " + f.birthDate() + " lies in the future.");
    }
    if (f.birthDate().isBefore(today.minusYears(120))) {
      throw Problems.field(
          "/birthDate", "The date of birth " + f.birthDate() + " is more than 120 years ago.");
    }
    if (f.school() == School.MONITORED && (f.schoolBy() == null || f.schoolBy().isBlank())) {
      throw Problems.field("/schoolBy", "The monitored school needs a diagnosis and who said so.");
    }
    row.name = f.name().trim();
    row.birthDate = f.birthDate();
    row.email = f.email();
    row.goal = f.goal();
    row.facts = f.facts();
    row.mobility = f.mobility();
    row.school = f.school();
    row.schoolBy = f.schoolBy();
    row.usualPain = f.usualPain();
    row.goalEffort = f.goalEffort();
    row.kit = json.write(new Kitbag(f.kit(), f.weights()));
  }

  private Client client(ClientRow r, LocalDate today) {
    return new Client(
        r.id,
        r.version,
        r.name,
        r.birthDate,
        (int) ChronoUnit.YEARS.between(r.birthDate, today),
        r.email,
        r.goal,
        r.facts,
        r.mobility,
        r.school,
        r.schoolBy,
        r.usualPain,
        r.goalEffort,
        r.noProgression,
        json.read(r.kit, Kitbag.class));
  }
}
