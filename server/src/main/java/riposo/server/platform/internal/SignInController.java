package riposo.server.platform.internal;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import riposo.server.platform.Problems;
import riposo.server.platform.Professional;
import riposo.server.platform.StudioContext;
import riposo.server.platform.Studios;
import tools.jackson.databind.annotation.JsonDeserialize;
import tools.jackson.databind.deser.jdk.StringDeserializer;

/** Signing in and out, and who is signed in, over HTTP. */
@RestController
@RequestMapping(value = "/api", produces = "application/json")
class SignInController {
  /** An address and a password, as they were sent, byte for byte. */
  record SignIn(
      @NotBlank(message = "Give your e-mail address.")
          @Size(max = 190, message = "At most 190 characters.")
          @JsonDeserialize(using = StringDeserializer.class)
          String email,
      @NotBlank(message = "Give your password.")
          @Size(max = 72, message = "At most 72 characters.")
          @JsonDeserialize(using = StringDeserializer.class)
          String password) {}

  /** Who is signed in; empty when nobody is. */
  record Me(
      @Nullable String name,
      @Nullable String studio,
      @Nullable String emergencyNumber,
      @Nullable LocalDate today,
      @Nullable String massUnit,
      @Nullable String glucoseUnit) {}

  /** So long a try is held that was refused because there were too many. */
  private static final int HELD_MS = 300;

  private final AuthenticationProvider accounts;
  private final SecurityContextRepository contexts;
  private final Studios studios;

  SignInController(
      AuthenticationProvider accounts, SecurityContextRepository contexts, Studios studios) {
    this.accounts = accounts;
    this.contexts = contexts;
    this.studios = studios;
  }

  @PostMapping("/sign-in")
  CompletableFuture<Me> signIn(
      @Valid @RequestBody SignIn body, HttpServletRequest request, HttpServletResponse response) {
    Authentication a;
    try {
      UsernamePasswordAuthenticationToken claim =
          UsernamePasswordAuthenticationToken.unauthenticated(body.email(), body.password());
      claim.setDetails(request.getRemoteAddr());
      a = accounts.authenticate(claim);
    } catch (AuthenticationException e) {
      throw Problems.unauthorized("Address and password do not match.");
    } catch (Problems refused) {
      if (refused.status() != HttpStatus.TOO_MANY_REQUESTS) {
        throw refused;
      }
      // whoever tries on and on is answered slowly, and holds no thread meanwhile
      return CompletableFuture.supplyAsync(
          () -> {
            throw refused;
          },
          CompletableFuture.delayedExecutor(HELD_MS, TimeUnit.MILLISECONDS));
    }
    HttpSession old = request.getSession(false);
    if (old != null) {
      old.invalidate(); // a session from before signing in is never carried over
    }
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(a);
    SecurityContextHolder.setContext(context);
    contexts.saveContext(context, request, response);
    return CompletableFuture.completedFuture(me());
  }

  @PostMapping("/sign-out")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOut(HttpServletRequest request) {
    HttpSession session = request.getSession(false);
    if (session != null) {
      session.invalidate();
    }
    SecurityContextHolder.clearContext();
  }

  @GetMapping("/me")
  Me me() {
    Professional p = StudioContext.professional();
    if (p == null) {
      return new Me(null, null, null, null, null, null);
    }
    Studios.Studio s = studios.current();
    return new Me(
        p.displayName(),
        s.name(),
        s.emergencyNumber(),
        studios.today(),
        s.massUnit(),
        s.glucoseUnit());
  }
}
