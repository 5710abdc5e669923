package org.jontrel.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.Map;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Passwords, tries, and the first set-up. */
public class SignInTest extends TrialServerTest {
    @Test
    public void tooManyWrongPasswordsAreStoppedEvenForTheRightOne() {
        anna.ok("POST", "/api/accounts", Map.of("name", "dora", "role", "viewer", "password", "dora-password"));
        var session = new Session(address());
        session.ok("GET", "/api/session", null);
        for (int i = 0; i < 5; i++) {
            var wrong = session.send("POST", "/api/session", Map.of("name", "dora", "password", "guess " + i));
            assertEquals(wrong.statusCode(), 401);
        }
        var right = session.send("POST", "/api/session", Map.of("name", "dora", "password", "dora-password"));
        assertEquals(right.statusCode(), 429);
        assertTrue(right.headers().firstValue("Retry-After").isPresent(), right.body());
        assertFalse(
                anna.send("GET", "/api/session", null).body().contains("\"name\":\"\""), "others are not locked out");
    }

    @Test
    public void theSetUpCannotBeRepeated() {
        var session = new Session(address());
        session.ok("GET", "/api/session", null);
        var again = session.send("POST", "/api/setup", Map.of("code", CODE, "name", "eve", "password", "eve-password"));
        assertEquals(again.statusCode(), 409);
    }

    @DataProvider
    public Object[][] passwords() {
        return new Object[][] {{"eleven-long"}, {"ü".repeat(37)}, {"qwertyqwerty"}, {"Password1234"}, {"aaaaaaaaaaaaab"}
        };
    }

    @Test(dataProvider = "passwords")
    public void passwordsThatAreTooShortOrCutOrCommonAreRefused(String password) {
        var answer = anna.send("POST", "/api/accounts", Map.of("name", "zed", "role", "viewer", "password", password));
        assertEquals(answer.statusCode(), 422);
    }
}
