package riposo.server.client.internal;

import jakarta.persistence.EntityManager;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Iterator;
import java.util.List;
import java.util.UUID;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import riposo.server.client.Attachments;
import riposo.server.platform.Audit;
import riposo.server.platform.Problems;
import riposo.server.platform.Studios;

/**
 * Letters and notes kept with a client: PDF, PNG, JPEG up to 10 MB. The type is what the content
 * is, never what its name says; a file is only ever handed out as a download.
 */
@Service
@Transactional
class AttachmentService implements Attachments {
  private static final String WRONG =
      "This is no PDF, PNG or JPEG file, whatever its name says; nothing was saved.";

  /** A file as it was kept; its type is what the content is. */
  record Kept(String name, String type, byte[] content) {}

  private final AttachmentStore store;
  private final ClientStore clients;
  private final EntityManager em;
  private final Audit audit;
  private final Studios studios;

  AttachmentService(
      AttachmentStore store, ClientStore clients, EntityManager em, Audit audit, Studios studios) {
    this.store = store;
    this.clients = clients;
    this.em = em;
    this.audit = audit;
    this.studios = studios;
  }

  /** Keeps a file; the body is the file itself. */
  Attachment keep(UUID clientId, String name, byte[] content) {
    clients.require(clientId, "client");
    if (name.isBlank() || name.length() > 160) {
      throw Problems.field("/name", "A file name has 1 to 160 characters.");
    }
    AttachmentRow row = new AttachmentRow();
    row.createdAt = studios.now();
    row.clientId = clientId;
    row.name = name.replaceAll("[\\\\/\\p{Cntrl}\"]", "_").trim();
    row.type = type(content);
    row.size = content.length;
    row.sha256 = sha256(content);
    store.saveAndFlush(row);
    em.persist(new ContentRow(row.id, content));
    audit.changed("attached", "file", row.id, row.name + ", " + row.size + " bytes", clientId);
    return view(row);
  }

  @Transactional(readOnly = true)
  List<Attachment> list(UUID clientId) {
    clients.require(clientId, "client");
    return store.findByClientIdOrderByCreatedAt(clientId).stream()
        .map(AttachmentService::view)
        .toList();
  }

  /** The file; that somebody looked is on record. */
  Kept file(UUID id) {
    AttachmentRow row = store.require(id, "file");
    byte[] content = em.find(ContentRow.class, id).content;
    audit.saw(row.clientId);
    return new Kept(row.name, row.type, content);
  }

  @Override
  public @Nullable Attachment of(UUID clientId, @Nullable UUID attachmentId) {
    if (attachmentId == null) {
      return null;
    }
    return store
        .findById(attachmentId)
        .filter(a -> a.clientId.equals(clientId))
        .map(AttachmentService::view)
        .orElseThrow(
            () -> Problems.field("/attachmentId", "There is no such file with this client."));
  }

  private static Attachment view(AttachmentRow r) {
    return new Attachment(r.id, r.name, r.type, r.size, r.sha256);
  }

  /** The type by content: the first bytes, and for pictures a header that can be read. */
  static String type(byte[] content) {
    if (starts(content, "%PDF-") && contains(content, "%%EOF")) {
      return "application/pdf";
    }
    String format = picture(content);
    if ("png".equals(format) && starts(content, "\u0089PNG\r\n\u001a\n")) {
      return "image/png";
    }
    if ("jpeg".equals(format) && starts(content, "\u00ff\u00d8\u00ff")) {
      return "image/jpeg";
    }
    throw Problems.field("/content", WRONG);
  }

  private static boolean starts(byte[] content, String start) {
    byte[] want = start.getBytes(StandardCharsets.ISO_8859_1);
    return content.length >= want.length
        && java.util.Arrays.equals(content, 0, want.length, want, 0, want.length);
  }

  private static boolean contains(byte[] content, String part) {
    int from = Math.max(0, content.length - 2048);
    return new String(content, from, content.length - from, StandardCharsets.ISO_8859_1)
        .contains(part);
  }

  private static @Nullable String picture(byte[] content) {
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(content))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        return null;
      }
      ImageReader reader = readers.next();
      try {
        reader.setInput(in, true, true);
        boolean sized = reader.getWidth(0) > 0 && reader.getHeight(0) > 0;
        return sized ? reader.getFormatName().toLowerCase(java.util.Locale.ROOT) : null;
      } finally {
        reader.dispose();
      }
    } catch (IOException | RuntimeException e) {
      return null;
    }
  }

  private static String sha256(byte[] content) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(content));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
