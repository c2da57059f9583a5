package riposo.server.movement.internal;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.catalogue.CatalogueException;
import riposo.catalogue.CatalogueReader;
import riposo.catalogue.OwnMovements;
import riposo.catalogue.OwnMovements.Own;
import riposo.core.movement.Soundness;
import riposo.core.wording.Wording;
import riposo.server.movement.Movements;
import riposo.server.movement.OwnDraft;
import riposo.server.platform.Audit;
import riposo.server.platform.Download;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;
import riposo.server.platform.Versions;
import tools.jackson.databind.node.ObjectNode;

/** The studio's own movements: added, changed, retired, brought in and taken out. */
@Service
@Transactional
class OwnMovementService {
  /** One movement's document, as JSON text; the schema says what is in it. */
  record OwnMovementForm(
      @NotBlank(message = "Write the movement.")
          @Size(max = 20_000, message = "At most 20 000 characters.")
          String document) {}

  /** A movement's document and its version; -1 for a shipped one. */
  record OwnDocument(String id, String document, long version, List<String> doubts) {}

  /** What an import brought. */
  record Imported(List<String> added, List<String> doubts) {}

  private final OwnMovementStore store;
  private final OwnMovementSource source;
  private final Movements movements;
  private final Studios studios;
  private final Audit audit;
  private final Map<String, ObjectNode> shipped = CatalogueReader.documents();

  OwnMovementService(
      OwnMovementStore store,
      OwnMovementSource source,
      Movements movements,
      Studios studios,
      Audit audit) {
    this.store = store;
    this.source = source;
    this.movements = movements;
    this.studios = studios;
    this.audit = audit;
  }

  static @Nullable String after(OwnMovementRow row) {
    var after = OwnMovements.document(row.document).get("after");
    return after == null || after.isNull() ? null : after.asString();
  }

  /** The document of a movement: one's own to change, or a shipped one to start a copy from. */
  @Transactional(readOnly = true)
  OwnDocument document(String id) {
    OwnMovementRow row = store.findByMovementId(id).orElse(null);
    if (row != null) {
      return view(row);
    }
    ObjectNode copy = shipped.get(id);
    if (copy == null) {
      throw Problems.notFound("movement", id);
    }
    ObjectNode d = copy.deepCopy();
    d.remove("rung");
    d.put("family", movements.shipped().movement(id).familyId());
    d.put("after", id);
    return new OwnDocument(id, d.toPrettyString(), -1, List.of());
  }

  OwnDocument create(OwnMovementForm form) {
    Own own = read(form.document(), null);
    OwnMovementRow row = add(own);
    audit.changed("added", "movement", row.id, own.movement().name());
    return view(row);
  }

  OwnDocument change(String id, long version, OwnMovementForm form) {
    OwnMovementRow row = require(id);
    Versions.same(row, version, () -> view(row), form);
    Own own = read(form.document(), id);
    if (!own.movement().id().equals(id)) {
      throw Problems.field("/id", "The id stays: plans and records know the movement by it.");
    }
    row.document = own.document().toString();
    row.changedAt = studios.now();
    store.saveAndFlush(row);
    movements.changed();
    audit.changed("changed", "movement", row.id, own.movement().name());
    return view(row);
  }

  /** Offers it no more; plans and records that name it still know it. */
  OwnDocument retire(String id) {
    OwnMovementRow row = require(id);
    if (row.retiredOn == null) {
      row.retiredOn = studios.today();
      saved(row, "retired");
    }
    return view(row);
  }

  /** Offers a retired one again. */
  OwnDocument restore(String id) {
    OwnMovementRow row = require(id);
    if (row.retiredOn != null) {
      row.retiredOn = null;
      saved(row, "restored");
    }
    return view(row);
  }

  /** The studio's own movements as a document, or the shipped ones to read. */
  @Transactional(readOnly = true)
  Download<String> export(boolean all) {
    Stream<ObjectNode> own =
        store.findAllByOrderByMovementId().stream().map(r -> OwnMovements.document(r.document));
    Stream<ObjectNode> list =
        all
            ? Stream.concat(
                shipped.keySet().stream().map(id -> OwnMovements.document(document(id).document())),
                own)
            : own;
    return new Download<>("movements.json", OwnMovements.write(list.toList()));
  }

  @Transactional(readOnly = true)
  String schema() {
    return OwnMovements.schema();
  }

  /** Brings in a document, all or nothing; every problem is named with its line and field. */
  Imported bring(byte[] body, String file) {
    List<Own> read;
    try {
      read =
          OwnMovements.read(
              file, new String(body, StandardCharsets.UTF_8), movements.shipped(), source.own());
    } catch (CatalogueException e) {
      throw Problems.fields(
          e.details().stream()
              .limit(20)
              .map(p -> new Problems.Field(p.field(), p.toString()))
              .toList());
    }
    for (Own own : read) {
      OwnMovementRow row = add(own);
      audit.changed("imported", "movement", row.id, own.movement().name() + " from " + file);
    }
    return new Imported(
        read.stream().map(o -> o.movement().name()).toList(),
        read.stream()
            .flatMap(
                o ->
                    Soundness.doubts(o.movement()).stream()
                        .map(d -> o.movement().name() + " " + Wording.doubt(d)))
            .toList());
  }

  private Own read(String document, @Nullable String replaces) {
    try {
      return OwnDraft.read(document, movements, source.own(), replaces);
    } catch (CatalogueException e) {
      throw Problems.fields(OwnDraft.fields(e));
    }
  }

  private OwnMovementRow add(Own own) {
    OwnMovementRow row = new OwnMovementRow();
    row.createdAt = studios.now();
    row.changedAt = row.createdAt;
    row.movementId = own.movement().id();
    row.document = own.document().toString();
    store.saveAndFlush(row);
    movements.changed();
    return row;
  }

  private void saved(OwnMovementRow row, String action) {
    row.changedAt = studios.now();
    store.saveAndFlush(row);
    movements.changed();
    audit.changed(action, "movement", row.id, row.movementId);
  }

  private OwnMovementRow require(String id) {
    return store
        .findByMovementId(id)
        .orElseThrow(
            () ->
                movements.shipped().find(id).isPresent()
                    ? Problems.refused(
                        "shipped-movement", "A shipped movement is not changed; copy it instead.")
                    : Problems.notFound("movement", id));
  }

  private OwnDocument view(OwnMovementRow row) {
    List<String> doubts =
        movements
            .catalogue()
            .find(row.movementId)
            .map(m -> Soundness.doubts(m).stream().map(Wording::doubt).toList())
            .orElse(List.of());
    return new OwnDocument(
        row.movementId, OwnMovements.document(row.document).toPrettyString(), row.version, doubts);
  }
}
