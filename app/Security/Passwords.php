<?php

declare(strict_types=1);

namespace App\Security;

use App\Activity\ActivityLog;
use App\Models\Technician;
use App\Time\Clock;
use Illuminate\Cache\RateLimiter;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Mail\Message;

/**
 * Passwords changed by who knows them, and by letter by who forgot. Either way every other sign-in of theirs is over.
 */
final readonly class Passwords
{
    private const OPEN_MINUTES = 60;

    private const LETTERS_AN_HOUR = 3;


    public function __construct(
        private Hasher $hasher,
        private SignedIn $signedIn,
        private ActivityLog $log,
        private Clock $clock,
        private Mailer $mailer,
        private RateLimiter $limiter,
        private ConnectionInterface $db,
    ) {
    }

    public function isOf(Technician $technician, string $password): bool
    {
        return $this->hasher->check($password, $technician->password);
    }

    /** @param ?string $here the session that goes on; null where nobody is signed in */
    public function set(Technician $technician, string $password, ?string $here): void
    {
        $this->db->transaction(function () use ($technician, $password, $here): void {
            $technician->forceFill(['password' => $password])->save();
            $here === null ? $this->signedIn->endAll($technician) : $this->signedIn->endOthers($technician, $here);
            $this->db->table('password_letters')->where('technician_id', $technician->id)->whereNull('used_at')->update(
                ['used_at' => $this->clock->now()],
            );
            $this->log->note($technician->id, $here === null ? 'set a new password by letter' : 'changed the password');
        });
    }

    /** Sends a letter to whoever signs in so, if anybody does; the answer is the same either way. */
    public function sendLetter(string $signIn): void
    {
        $technician = Technician::query()->where('sign_in', mb_strtolower(trim($signIn)))
            ->whereNull('closed_at')
            ->first();
        if (
            $technician === null
            || $this->limiter->hit("password-letter:{$technician->id}", 3600) > self::LETTERS_AN_HOUR
        ) {
            $this->log->note($technician?->id, 'asked for a letter for a new password and got none', [
                'signIn' => mb_strtolower(trim($signIn)),
            ]);

            return;
        }
        $address = $this->address($technician, self::OPEN_MINUTES);
        $this->log->note($technician->id, 'was sent a letter for a new password');
        $text = 'Somebody, most likely you, asked for a new password for Jaunty Roster.'
            . "\n\n{$address}\n\nThis opens once, for an hour. If it was not you, do nothing: the password "
                . "stays as it is.\n";
        $this->mailer->raw($text, static function (Message $message) use ($technician): void {
            $message->to($technician->sign_in)->subject('A new password for Jaunty Roster');
        });
    }

    /**
     * Where somebody who has no password yet, or forgot it, sets one: opens once. The code stands behind the #, which
     * browsers send to nobody.
     */
    public function address(Technician $technician, int $openMinutes): string
    {
        $code = LetterCode::make();
        $now = $this->clock->now();
        $this->db->table('password_letters')->insert([
            'code_hash' => LetterCode::hash($code), 'technician_id' => $technician->id, 'sent_at' => $now,
            'open_until' => $now->modify("+{$openMinutes} minutes"),
        ]);
        $home = config('app.url');

        return (is_string($home) ? $home : '') . "/new-password#{$code}";
    }

    /** @throws InvitationClosed where the code opens nothing any more */
    public function whose(string $code): Technician
    {
        $id = $this->db->table('password_letters')->where(
            'code_hash',
            LetterCode::hash($code),
        )->whereNull('used_at')->where('open_until', '>', $this->clock->now())->value('technician_id');

        return Technician::query()->whereNull('closed_at')->where('id', is_string($id) ? $id : null)->first()
            ?? throw new InvitationClosed();
    }
}
