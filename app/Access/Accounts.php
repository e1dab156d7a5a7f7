<?php

declare(strict_types=1);

namespace App\Access;

use App\Activity\ActivityLog;
use App\House\House;
use App\Models\ApiToken;
use App\Models\Technician;
use App\Security\Passwords;
use App\Security\SecondFactor;
use App\Security\SignedIn;
use App\Time\Clock;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\QueryException;
use Illuminate\Mail\Message;

/** What leads do to the accounts of the staff: who leads, who forgot what, and who is no longer there. */
final readonly class Accounts
{
    private const LETTER_OPEN_MINUTES = 24 * 60;

    public function __construct(
        private Scope $scope,
        private Leads $leads,
        private House $house,
        private Passwords $passwords,
        private SecondFactor $secondFactor,
        private SignedIn $signedIn,
        private ActivityLog $log,
        private Mailer $mailer,
        private Clock $clock,
        private ConnectionInterface $db,
    ) {
    }

    /**
     * Makes somebody a lead, or no longer one.
     *
     * @throws AccessDenied also where nobody would be left who leads
     */
    public function lead(Technician $lead, string $technicianId, bool $leads): void
    {
        $this->leads->requirePeople($lead);
        $this->keepingALead(fn () => $this->scope->technician($lead->id, function () use (
            $lead,
            $technicianId,
            $leads,
        ): void {
            $of = $this->active($technicianId);
            if ($of->lead !== $leads) {
                $of->forceFill(['lead' => $leads])->save();
            }
            $this->log->note($lead->id, $leads ? 'made somebody a lead' : 'took the lead from somebody', [
                'of' => $of->sign_in,
            ]);
        }));
    }

    /** Whoever lost the device of their second factor signs in by the password alone again, and is told by letter. */
    public function resetSecondFactor(Technician $lead, string $technicianId): void
    {
        $this->leads->requirePeople($lead);
        $this->scope->technician($lead->id, function () use ($lead, $technicianId): void {
            $of = $this->active($technicianId);
            if ($of->id === $lead->id) {
                throw AccessDenied::ownFactor();
            }
            $this->secondFactor->switchOff($of);
            // Wherever they are signed in it was with a device that somebody else may hold.
            $this->signedIn->endAll($of);
            $this->log->note($lead->id, 'reset a second factor', ['of' => $of->sign_in]);
            $this->write(
                $of,
                'Your second factor was reset',
                "{$lead->name} reset the second factor of your sign-in, and signed you out everywhere. You sign in by "
                    . "your password; set up a device again under Second factor. If you did not ask for this, tell "
                    . "{$lead->name} at once.",
            );
        });
    }

    /** Somebody who cannot get in sets a new password by letter. */
    public function sendPasswordLetter(Technician $lead, string $technicianId): void
    {
        $this->leads->requirePeople($lead);
        $this->scope->technician($lead->id, function () use ($lead, $technicianId): void {
            $of = $this->active($technicianId);
            $address = $this->passwords->address($of, self::LETTER_OPEN_MINUTES);
            $this->log->note($lead->id, 'sent a letter for a new password', ['of' => $of->sign_in]);
            $this->write(
                $of,
                'A new password for Jaunty Roster',
                "{$lead->name} sends you this to set a new password:\n\n{$address}\n\nIt opens once, for a day. Until "
                    . 'then the password you have stays as it is.',
            );
        });
    }

    /**
     * What somebody would leave behind.
     *
     * @return array{customers: list<string>, findings: int, grants: int, isNightly: bool}
     */
    public function leaves(Technician $lead, string $technicianId): array
    {
        $this->leads->requirePeople($lead);

        return $this->scope->technician($lead->id, function () use ($technicianId): array {
            $of = $this->active($technicianId);
            $row = $this->db->selectOne('select roster_leaves(?) as told', [$of->id]);
            $told = is_object($row) && is_string($row->told ?? null)
                ? json_decode($row->told, true, flags: JSON_THROW_ON_ERROR)
                : [];
            $told = is_array($told) ? $told : [];
            $customers = is_array($told['customers'] ?? null) ? $told['customers'] : [];

            return [
                'customers' => array_values(array_filter($customers, is_string(...))),
                'findings' => is_int($told['findings'] ?? null) ? $told['findings'] : 0,
                'grants' => is_int($told['grants'] ?? null) ? $told['grants'] : 0,
                'isNightly' => $this->house->settings()->nightlyAs === $of->id,
            ];
        });
    }

    /**
     * Switches somebody off: sign-ins, tokens and grants end at once, and what they saw to is handed on in the same
     * act.
     * What they did stays told.
     *
     * @param  ?string  $heirId  who sees to it from now on; null: nobody yet
     *
     * @throws AccessDenied where it is oneself, the last lead, or the heir is not there any more
     */
    public function switchOff(Technician $lead, string $technicianId, ?string $heirId): void
    {
        $this->leads->requirePeople($lead);
        if ($technicianId === $lead->id) {
            throw AccessDenied::ownAccount();
        }
        $this->keepingALead(fn () => $this->scope->technician($lead->id, function () use (
            $lead,
            $technicianId,
            $heirId,
        ): void {
            $of = $this->active($technicianId);
            $heir = $heirId === null
                ? null
                : Technician::query()->whereNull('closed_at')->find($heirId) ?? throw AccessDenied::accountClosed();
            if ($heir?->id === $of->id) {
                throw AccessDenied::ownHeir();
            }
            $now = $this->clock->now();
            $this->db->select('select roster_hand_over(?, ?)', [$of->id, $heir?->id]);
            $this->house->forget();
            $settings = $this->house->settings();
            if ($settings->nightlyAs === $of->id) {
                $this->house->write($lead->id, ['nightlyAs' => $heir?->id] + $settings->toArray(), [], $now);
            }
            $of->forceFill(['closed_at' => $now, 'lead' => false])->save();
            ApiToken::query()->where('technician_id', $of->id)->delete();
            $this->signedIn->endAll($of);
            $this->log->note($lead->id, 'closed an account', ['of' => $of->sign_in, 'to' => $heir?->sign_in]);
        }));
    }

    private function active(string $technicianId): Technician
    {
        return Technician::query()->whereNull('closed_at')->findOrFail($technicianId);
    }

    private function keepingALead(callable $work): void
    {
        try {
            $work();
        } catch (QueryException $fault) {
            throw str_contains($fault->getMessage(), 'technicians_a_lead') || str_contains(
                $fault->getMessage(),
                'the last lead',
            ) ? AccessDenied::lastLead() : $fault;
        }
    }

    private function write(Technician $to, string $subject, string $text): void
    {
        $reseller = $this->house->settings()->reseller;
        $this->mailer->raw("{$text}\n\n{$reseller}\n", static function (Message $message) use ($to, $subject): void {
            $message->to($to->sign_in)->subject($subject);
        });
    }
}
