<?php

declare(strict_types=1);

namespace App\Access;

use App\Activity\ActivityLog;
use App\House\House;
use App\Models\Grant;
use App\Models\Invitation;
use App\Models\Technician;
use App\Models\TenantRow;
use App\Security\InvitationClosed;
use App\Security\LetterCode;
use App\Time\Clock;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Mail\Message;
use Illuminate\Support\Str;

/**
 * Who is of the staff and what they may do: given and taken away by leads, joined by invitation. A code is sent once
 * and kept as a hash, opens one grant to one person, and runs out. Row-level security holds whatever is asked here.
 */
final readonly class Staff
{
    /** Long enough to come back from a holiday weekend, short enough that a mailbox opened later opens nothing. */
    private const OPEN_DAYS = 7;

    public function __construct(
        private Scope $scope,
        private Clock $clock,
        private Mailer $mailer,
        private ConnectionInterface $db,
        private ActivityLog $log,
        private Leads $leads,
        private House $house,
        private WithoutSignIn $guests,
    ) {
    }

    /**
     * @return array{list<Technician>, list<Grant>, list<Invitation>, list<TenantRow>} everybody who is there, what they
     *     were given, who is invited, and the customers; for leads
     *
     * @throws AccessDenied
     */
    public function all(Technician $lead): array
    {
        $this->leads->requirePeople($lead);

        return $this->scope->technician($lead->id, static fn (): array => [
            array_values(Technician::query()->whereNull('closed_at')->orderBy('name')->get()->all()),
            array_values(Grant::query()->orderBy('given_at')->get()->all()),
            array_values(Invitation::query()->whereNull('accepted_at')->orderBy('sent_at')->get()->all()),
            array_values(TenantRow::query()->get()->all()),
        ]);
    }

    /**
     * @throws AccessDenied
     * @throws CustomerNotFound
     */
    public function customer(Technician $lead, string $key): TenantRow
    {
        $this->leads->requirePeople($lead);

        return $this->scope->technician(
            $lead->id,
            static fn (): TenantRow => TenantRow::query()->where('key', $key)->first() ?? throw new CustomerNotFound(),
        );
    }

    /** @return array{takeOn: bool, bill: bool} whether they may take customers on, and order what costs */
    public function may(Technician $technician): array
    {
        try {
            return $this->scope->technician($technician->id, fn (): array => [
                'takeOn' => $this->scope->mayTakeOn($technician->id),
                'bill' => $technician->lead || $this->scope->mayBill($technician->id),
            ]);
        } catch (AccessDenied) {
            // Nothing, before their second factor is on.
            return ['takeOn' => false, 'bill' => false];
        }
    }

    /**
     * Gives the grant to whoever signs in so; where nobody does yet, they are sent an invitation to it.
     *
     * @param  string  $signIn  a mail address
     * @return ?Invitation null where the grant was given at once
     *
     * @throws AccessDenied where it is not a lead who asks
     */
    public function let(Technician $lead, string $signIn, Granted $granted): ?Invitation
    {
        $this->leads->requirePeople($lead);
        $signIn = mb_strtolower(trim($signIn));
        $known = Technician::query()->where('sign_in', $signIn)->first();
        if ($known !== null && $known->closed_at !== null) {
            throw AccessDenied::accountClosed();
        }
        if ($known === null) {
            $code = LetterCode::make();

            // What cannot be mailed is not kept: an invitation nobody has the code of would only stand in the list.
            return $this->scope->technician($lead->id, function () use ($lead, $signIn, $granted, $code): Invitation {
                $invitation = new Invitation();
                $invitation->forceFill([
                    'id' => (string) Str::uuid(), 'sign_in' => $signIn, 'tenant_id' => $granted->customer?->id,
                    'customer' => $granted->customer?->name, 'ability' => $granted->ability,
                    'purpose' => $granted->purpose, 'grant_from' => $granted->from, 'grant_until' => $granted->until,
                    'invited_by' => $lead->id,
                    ...$this->opened($code),
                ])->save();
                $this->write($lead, $invitation, $code);
                $this->note($lead, 'sent an invitation', $granted->customer?->id, [
                    'to' => $signIn,
                    'ability' => $granted->ability->value,
                    'customer' => $granted->customer === null ? 'every' : null,
                ]);

                return $invitation;
            });
        }
        $this->scope->technician($lead->id, function () use ($lead, $known, $granted): void {
            Grant::query()->insert([
                'id' => (string) Str::uuid(), 'technician_id' => $known->id, 'tenant_id' => $granted->customer?->id,
                'ability' => $granted->ability->value,
                'purpose' => $granted->purpose, 'starts_at' => $granted->from, 'until' => $granted->until,
                'given_by' => $lead->id,
                'given_at' => $this->clock->now(),
            ]);
            $this->note($lead, 'gave a grant', $granted->customer?->id, [
                'to' => $known->sign_in,
                'ability' => $granted->ability->value,
                'customer' => $granted->customer === null ? 'every' : null,
            ]);
        });

        return null;
    }

    /** Sends an invitation anew, with another code; the one sent before opens nothing from then on. */
    public function sendAgain(Technician $lead, string $invitation): void
    {
        $this->leads->requirePeople($lead);
        $code = LetterCode::make();
        $this->scope->technician($lead->id, function () use ($lead, $invitation, $code): void {
            $row = Invitation::query()->whereNull('accepted_at')->find($invitation) ?? throw new InvitationClosed();
            $row->forceFill(['invited_by' => $lead->id, ...$this->opened($code)])->save();
            $this->write($lead, $row, $code);
            $this->note($lead, 'sent an invitation again', $row->tenant_id, ['to' => $row->sign_in]);
        });
    }

    public function takeInvitationBack(Technician $lead, string $invitation): void
    {
        $this->leads->requirePeople($lead);
        $this->scope->technician($lead->id, function () use ($lead, $invitation): void {
            $row = Invitation::query()->whereNull('accepted_at')->find($invitation);
            if ($row !== null) {
                $row->delete();
                $this->note($lead, 'took an invitation back', $row->tenant_id, ['to' => $row->sign_in]);
            }
        });
    }

    /** @throws AccessDenied where it is one's own: a lead without grants could give none to anybody */
    public function takeAway(Technician $lead, string $grant): void
    {
        $this->leads->requirePeople($lead);
        $this->scope->technician($lead->id, function () use ($lead, $grant): void {
            $row = Grant::query()->find($grant);
            if ($row !== null && $row->technician_id === $lead->id) {
                throw AccessDenied::ownGrant();
            }
            if ($row !== null) {
                $row->delete();
                $this->note($lead, 'took a grant away', $row->tenant_id, [
                    'of' => $row->technician_id,
                    'ability' => $row->ability->value,
                ]);
            }
        });
    }

    /**
     * What a code opens, to whoever has it.
     *
     * @return object{sign_in: string, customer: ?string, ability: string, grant_until: ?string, invited_by: string,
     *     open_until: string}&\stdClass
     *
     * @throws InvitationClosed
     */
    public function invitation(string $code): object
    {
        /**
         * @var (object{sign_in: string, customer: ?string, ability: string, grant_until: ?string, invited_by: string,
         *     open_until: string}&\stdClass)|null $found
         */
        $found = $this->guests->do(
            fn (): mixed => $this->db->selectOne('select * from roster_invitation(?)', [LetterCode::hash($code)]),
        );

        return $found ?? throw new InvitationClosed();
    }

    /**
     * Makes the account that an invitation is for, with its grant.
     *
     * @throws InvitationClosed
     */
    public function join(string $code, string $name, string $password): Technician
    {
        $invitation = $this->invitation($code);

        try {
            return $this->joined($code, $name, $password, $invitation->sign_in, $invitation->invited_by);
        } catch (UniqueConstraintViolationException) {
            // Somebody came by the same letter a moment before.
            throw new InvitationClosed();
        }
    }

    private function joined(string $code, string $name, string $password, string $signIn, string $invitedBy): Technician
    {
        /** @var Technician $joined */
        $joined = $this->guests->do(function () use ($code, $name, $password, $signIn, $invitedBy): Technician {
            $id = (string) Str::uuid();
            // Somebody may have come by another invitation meanwhile: their password is not for this one to change.
            if (Technician::query()->where('sign_in', $signIn)->exists()) {
                throw new InvitationClosed();
            }
            $technician = Technician::query()->create([
                'id' => $id, 'sign_in' => $signIn, 'name' => $name, 'initials' => self::initials($name),
                'password' => $password,
            ])->refresh();
            $taken = $this->db->selectOne(
                'select roster_accept_invitation(?, ?, ?) as taken',
                [LetterCode::hash($code), $id, (string) Str::uuid()],
            );
            if (! is_object($taken) || ($taken->taken ?? false) !== true) {
                throw new InvitationClosed();
            }
            $this->note($technician, 'joined by invitation', null, ['of' => $invitedBy]);

            return $technician;
        });

        return $joined;
    }

    /** No scope is open for somebody who is not of the staff: only what a code opens is asked, and by this clock. */
    /** @return array<string, mixed> */
    private function opened(string $code): array
    {
        $now = $this->clock->now();

        return ['code_hash' => LetterCode::hash($code), 'sent_at' => $now, 'open_until' => $now->modify(
            '+' . self::OPEN_DAYS . ' days',
        )];
    }

    private function write(Technician $lead, Invitation $invitation, string $code): void
    {
        $home = config('app.url');
        $reseller = $this->house->settings()->reseller;
        // The code stands behind the #: browsers keep that part to themselves, so it is in no log of any server.
        $text = "{$lead->name} of {$reseller} asks you to join Jaunty Roster, to {$invitation->ability->inWords()} "
            . ($invitation->customer ?? 'every customer')
            . ".\n\n"
            . (is_string($home) ? $home : '') . "/join#{$code}\n\nThis opens once, for you, until "
                . "{$invitation->open_until->format('j F Y, H:i')} UTC.\nIf you do not "
                . "know why you got it, do nothing.\n";
        $this->mailer->raw($text, static function (Message $message) use ($invitation, $reseller): void {
            $message->to($invitation->sign_in)->subject("An invitation to {$reseller}'s Jaunty Roster");
        });
    }

    /**
     * @param  ?string  $tenantId  of the customer it is about; theirs goes with them, where they are purged
     * @param  array<string, ?string>  $detail
     */
    private function note(Technician $who, string $what, ?string $tenantId, array $detail): void
    {
        $isVisible = $tenantId !== null && TenantRow::query()->whereKey($tenantId)->exists();
        if ($isVisible) {
            $this->log->noteOf($tenantId, $who->id, $what, $detail);
        } else {
            $this->log->note($who->id, $what, $detail);
        }
    }

    public static function initials(string $name): string
    {
        $words = preg_split('/[\s-]+/u', trim($name), -1, PREG_SPLIT_NO_EMPTY);
        $words = $words === false || $words === [] ? ['?'] : $words;

        return mb_strtoupper(
            mb_substr($words[0], 0, 1) . (count($words) > 1 ? mb_substr($words[count($words) - 1], 0, 1) : ''),
        );
    }
}
