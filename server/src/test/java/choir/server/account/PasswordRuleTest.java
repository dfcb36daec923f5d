package choir.server.account;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PasswordRuleTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "'          ' | different characters",
                "aaaaaaaaaabbbb | different characters",
                "short one | at least 10 characters",
                "password1234 | guessed soon",
                "qwertyuiop12 | guessed soon",
                "1234567890ab | guessed soon",
                "Password123! | guessed soon",
                "brunhilde1brunhilde | more than the name",
                "BrunhildeBrunHilde | more than the name",
            })
    void whatIsEasilyGuessedIsRefused(String password, String why) {
        assertThatThrownBy(() -> PasswordRule.require("brunhilde", password)).hasMessageContaining(why);
    }

    @Test
    void whatTheHashWouldForgetIsRefusedAndNotCut() {
        var longest = "quiet harbour ".repeat(6).substring(0, 72);
        assertThatCode(() -> PasswordRule.require("ada", longest)).doesNotThrowAnyException();
        assertThatThrownBy(() -> PasswordRule.require("ada", longest + "!")).hasMessageContaining("at most 72 bytes");
        assertThatThrownBy(() -> PasswordRule.require("ada", "þýðing ".repeat(8)))
                .hasMessageContaining("72 bytes");
    }

    @Test
    void aNameAmongOtherWordsIsNothingBad() {
        assertThatCode(() -> PasswordRule.require("ada", "ada likes the quiet harbour"))
                .doesNotThrowAnyException();
        assertThatCode(() -> PasswordRule.require("ada", "a long enough password"))
                .doesNotThrowAnyException();
    }
}
