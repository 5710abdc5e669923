package org.jontrel.server.web;

import io.swagger.v3.oas.annotations.media.Schema;
import java.security.Principal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** Takes back a change whose answer did not come, by its {@code Idempotency-Key}. */
@RestController
class WithdrawalController {
    private static final int FIRST_REFUSAL = 400;
    private static final JsonMapper JSON = JsonMapper.shared();
    private final RepeatedRequests requests;

    WithdrawalController(RepeatedRequests requests) {
        this.requests = requests;
    }

    @Schema(requiredProperties = "carriedOut")
    record Withdrawal(
            @Schema(description = "Whether it had been carried out already, so that nothing was withdrawn")
            boolean carriedOut,

            @Schema(description = "What was answered then; absent where it was not carried out")
            Object answer) {}

    /** From now on the change is refused when it arrives; where it was carried out before, its answer. */
    @PutMapping("/api/withdrawals/{key}")
    Withdrawal withdraw(@PathVariable String key, Principal principal) {
        return requests.withdraw(principal.getName(), key)
                .filter(answer -> answer.status() < FIRST_REFUSAL)
                .map(answer -> new Withdrawal(true, JSON.readTree(answer.body())))
                .orElseGet(() -> new Withdrawal(false, null));
    }
}
