package riposo.server.adapt.internal;

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

/** The client card on paper: the adapted plan in large type, with cautions, over HTTP. */
@RestController
@RequestMapping("/api/clients/{clientId}/adapted/{planId}")
class CardController {
  private final CardPrint print;

  CardController(CardPrint print) {
    this.print = print;
  }

  @Heavy
  @GetMapping(value = "/card.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
  ResponseEntity<byte[]> print(
      @PathVariable UUID clientId,
      @PathVariable UUID planId,
      @RequestParam(required = false) @Nullable LocalDate date,
      @RequestParam(defaultValue = "A4") Pdf.Paper paper) {
    return print.print(clientId, planId, date, paper).answer();
  }
}
