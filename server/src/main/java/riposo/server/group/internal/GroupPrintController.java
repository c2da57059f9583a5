package riposo.server.group.internal;

import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.Heavy;
import riposo.server.platform.Pdf;

/** The group sheet on paper, over HTTP. */
@RestController
@RequestMapping("/api/groups")
class GroupPrintController {
  private final GroupPrint print;

  GroupPrintController(GroupPrint print) {
    this.print = print;
  }

  @Heavy
  @GetMapping(value = "/{id}/sheet.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
  ResponseEntity<byte[]> print(
      @PathVariable UUID id,
      @RequestParam(required = false) @Nullable LocalDate date,
      @RequestParam(defaultValue = "A4") Pdf.Paper paper) {
    return print.print(id, date, paper).answer();
  }
}
