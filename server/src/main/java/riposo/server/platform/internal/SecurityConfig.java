package riposo.server.platform.internal;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.UUID;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.authentication.AuthenticationProvider;
import org.springframework.security.authentication.BadCredentialsException;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.Authentication;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import riposo.server.platform.Professional;
import tools.jackson.databind.json.JsonMapper;

/** Sign-in, CSRF and what is open to whom. */
@Configuration
class SecurityConfig {
  @Bean
  PasswordEncoder passwordEncoder() {
    return new BCryptPasswordEncoder(11);
  }

  @Bean
  SecurityContextRepository contextRepository() {
    return new HttpSessionSecurityContextRepository();
  }

  @Bean
  AuthenticationProvider accounts(JdbcClient jdbc, PasswordEncoder encoder) {
    String nobody = encoder.encode(UUID.randomUUID().toString());
    record Row(Professional professional, String hash) {}
    return new AuthenticationProvider() {
      @Override
      public Authentication authenticate(Authentication a) {
        String email = String.valueOf(a.getPrincipal()).trim().toLowerCase(java.util.Locale.ROOT);
        String password = String.valueOf(a.getCredentials());
        Row row =
            jdbc.sql(
                    "select id, studio_id, email, name, password_hash from account where email = ?")
                .param(email)
                .query(
                    (rs, n) ->
                        new Row(
                            new Professional(
                                UUID.fromString(rs.getString(1)),
                                UUID.fromString(rs.getString(2)),
                                rs.getString(3),
                                rs.getString(4)),
                            rs.getString(5)))
                .optional()
                .orElse(null);
        // an unknown address costs the same time as a wrong password
        boolean ok = encoder.matches(password, row == null ? nobody : row.hash());
        if (row == null || !ok) {
          throw new BadCredentialsException("wrong");
        }
        return new UsernamePasswordAuthenticationToken(row.professional(), null, List.of());
      }

      @Override
      public boolean supports(Class<?> type) {
        return type == UsernamePasswordAuthenticationToken.class;
      }
    };
  }

  @Bean
  SecurityFilterChain chain(HttpSecurity http, SecurityContextRepository contexts, JsonMapper json)
      throws Exception {
    return http.csrf(c -> c.spa())
        .securityContext(c -> c.securityContextRepository(contexts))
        .authorizeHttpRequests(
            a ->
                a.requestMatchers(
                        "/api/sign-in",
                        "/api/check-in/**",
                        "/api/screens/**",
                        "/api/openapi/**",
                        "/actuator/health")
                    .permitAll()
                    .requestMatchers(HttpMethod.GET, "/api/me")
                    .permitAll()
                    .requestMatchers("/api/**", "/actuator/**")
                    .authenticated()
                    .anyRequest()
                    .permitAll())
        .exceptionHandling(
            e ->
                e.authenticationEntryPoint(
                        (req, res, x) ->
                            write(res, json, HttpStatus.UNAUTHORIZED, "sign-in", "Sign in first."))
                    .accessDeniedHandler(
                        (req, res, x) ->
                            write(
                                res,
                                json,
                                HttpStatus.FORBIDDEN,
                                "forbidden",
                                "This page is out of date; load it again and repeat.")))
        .headers(
            h ->
                h.contentSecurityPolicy(
                        c ->
                            c.policyDirectives(
                                "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; frame-ancestors 'none'; form-action 'self'; base-uri 'self'"))
                    .referrerPolicy(
                        r ->
                            r.policy(
                                org.springframework.security.web.header.writers
                                    .ReferrerPolicyHeaderWriter.ReferrerPolicy.NO_REFERRER)))
        .requestCache(c -> c.disable())
        .logout(l -> l.disable())
        .build();
  }

  private static void write(
      HttpServletResponse res, JsonMapper json, HttpStatus status, String code, String sentence)
      throws java.io.IOException {
    res.setStatus(status.value());
    res.setContentType("application/problem+json");
    res.setCharacterEncoding("UTF-8");
    json.writeValue(res.getOutputStream(), ProblemAdvice.detail(status, code, sentence));
  }
}
