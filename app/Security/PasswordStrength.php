<?php

declare(strict_types=1);

namespace App\Security;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;

/**
 * Long enough, and not what is guessed first: common words, names of the place or the person, rows of the keyboard, the
 * same over again. Length counts and composition does not (OWASP ASVS 4.0, 2.1.1, 2.1.7 and 2.1.9); the words are
 * common practice, from memory.
 */
final readonly class PasswordStrength implements ValidationRule
{
    public const LEAST = 12;

    public const MOST = 200;

    /** What has to be left when whatever is guessed first is taken out. */
    private const LEAST_OWN = 6;

    private const LEAST_DIFFERENT = 5;

    private const GUESSED = [
        'password', 'passwort', 'passw', 'motdepasse', 'welcome', 'letmein', 'changeme', 'iloveyou', 'administrator',
        'admin', 'login', 'signin', 'default', 'secret', 'master', 'monkey', 'dragon', 'football', 'baseball',
        'princess',
        'sunshine', 'superman', 'batman', 'shadow', 'trustno', 'whatever', 'qwertyuiop', 'qwerty', 'azerty',
        'asdfghjkl', 'asdfgh', 'zxcvbnm', 'zxcvbn', 'abcdefgh', 'abcdef', 'abcd', 'abc', 'jaunty', 'roster',
        'technician', 'telephone', 'tidetable', 'tide-table',
        'spring', 'summer', 'autumn', 'winter', 'january', 'february', 'march', 'april', 'june', 'july', 'august',
        'september', 'october', 'november', 'december', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday',
        'saturday', 'sunday',
    ];

    /** Signs that stand for letters. */
    private const SPELT = [
        '0' => 'o', '1' => 'i', '3' => 'e', '4' => 'a', '5' => 's', '7' => 't', '@' => 'a', '$' => 's', '!' => 'i',
    ];

    /** @param list<string> $known of whoever it is for: the sign-in, the name, the reseller */
    public function __construct(private array $known)
    {
    }

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        $said = is_string($value) ? $this->wrongWith($value) : 'Choose a password.';
        if ($said !== null) {
            $fail($said);
        }
    }

    /** @return ?string what is wrong with it, for whoever chose it */
    public function wrongWith(string $password): ?string
    {
        if (preg_match('/\p{Cc}/u', $password) !== 0) {
            return 'It holds a sign that cannot be typed.';
        }
        $length = mb_strlen($password);
        if ($length < self::LEAST || $length > self::MOST) {
            return $length < self::LEAST
                ? 'At least ' . self::LEAST . ' characters.'
                : 'At most ' . self::MOST . ' characters.';
        }
        $plain = mb_strtolower($password);
        if (count(array_unique(mb_str_split($plain))) < self::LEAST_DIFFERENT) {
            return 'It is the same few characters over and over. Several words are easiest.';
        }
        $own = array_filter(
            array_merge(...array_map(self::words(...), $this->known)),
            static fn (string $word): bool => strlen($word) >= 3,
        );
        foreach ([$plain, strtr($plain, self::SPELT)] as $read) {
            $left = str_replace([...$own, ...self::GUESSED], ' ', $read);
            if (
                strlen((string) preg_replace('/[^\p{L}]+/u', '', self::withoutRows($left))) < self::LEAST_OWN
                && $this->leftOf($left) < self::LEAST_OWN
            ) {
                return 'It is among those that are tried first: common words, names, rows of keys. Several words of '
                    . 'your own are easiest.';
            }
        }

        return null;
    }

    /** How much is left besides letters that were guessed: signs and digits count while they are no row and no year. */
    private function leftOf(string $left): int
    {
        return count(
            array_unique(mb_str_split((string) preg_replace('/(?:19|20)\d\d|\s+/', '', self::withoutRows($left)))),
        );
    }

    /** Without what follows on a keyboard or in counting: 1234, 9876, aaaa. */
    private static function withoutRows(string $text): string
    {
        return (string) preg_replace(
            ['/(.)\1{2,}/u', '/0?1234?5?6?7?8?9?0?|9?8?7?6?543?2?1?|(?:012|123|234|345|456|567|678|789|890)+/'],
            ' ',
            $text,
        );
    }

    /** @return list<string> */
    private static function words(string $of): array
    {
        $words = preg_split('/[^\p{L}\d]+/u', mb_strtolower($of), -1, PREG_SPLIT_NO_EMPTY);

        return [mb_strtolower($of), ...($words === false ? [] : $words)];
    }
}
