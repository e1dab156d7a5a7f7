<?php

declare(strict_types=1);

namespace App\Settings;

use App\Access\Scope;
use App\Access\Staff;
use App\Activity\ActivityLog;
use App\House\House;
use App\House\Settings;
use App\Models\Ability;
use App\Models\Grant;
use App\Models\Technician;
use App\Security\Passwords;
use App\TakingOn\Templates;
use App\Time\Clock;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Mail\Message;
use Illuminate\Support\Str;

/** Makes a house out of an empty database: whose it is, and the first lead, who sets their password by letter. */
final readonly class Beginning
{
    private const LETTER_OPEN_MINUTES = 2 * 24 * 60;

    public function __construct(
        private Templates $templates,
        private House $house,
        private Scope $scope,
        private Passwords $passwords,
        private ActivityLog $log,
        private Mailer $mailer,
        private Clock $clock,
    ) {
    }

    /**
     * Whole or not at all: where the letter cannot be sent nothing has begun.
     *
     * @param  string  $signIn  the first lead's mail address
     * @param  bool  $byLetter  false: whoever asks is told the address and takes it over
     * @return string the address where the first lead sets a password
     *
     * @throws HasBegun
     * @throws \Symfony\Component\Mailer\Exception\TransportExceptionInterface
     */
    public function begin(
        string $reseller,
        string $region,
        string $zone,
        string $leadName,
        string $signIn,
        bool $byLetter,
    ): string {
        $this->templates->ship(base_path('templates'));
        $id = (string) Str::uuid();

        return $this->scope->technician($id, function () use (
            $id,
            $reseller,
            $region,
            $zone,
            $leadName,
            $signIn,
            $byLetter,
        ): string {
            $this->house->forget();
            if ($this->house->hasBegun()) {
                throw new HasBegun($this->house->settings()->reseller);
            }
            $lead = Technician::query()->create([
                'id' => $id, 'sign_in' => mb_strtolower($signIn), 'name' => $leadName,
                'initials' => Staff::initials($leadName),
                // Nobody knows it: the first one that opens anything is set by letter.
                'password' => Str::random(64), 'lead' => true,
            ])->refresh();
            $now = $this->clock->now();
            $settings = ['reseller' => $reseller, 'region' => $region, 'zone' => $zone, 'nightlyAs' => $lead->id];
            $this->house->write($lead->id, Settings::of($settings)->toArray(), [], $now);
            Grant::query()->insert([
                'id' => (string) Str::uuid(), 'technician_id' => $lead->id, 'tenant_id' => null,
                'ability' => Ability::Push->value, 'given_by' => $lead->id, 'given_at' => $now,
                'purpose' => 'the first lead',
            ]);
            $this->log->note($lead->id, 'began this house', ['reseller' => $reseller]);
            $address = $this->passwords->address($lead, self::LETTER_OPEN_MINUTES);
            if ($byLetter) {
                $this->write($lead, $reseller, $address);
            }

            return $address;
        });
    }

    private function write(Technician $lead, string $reseller, string $address): void
    {
        $text = "{$reseller} has a Jaunty Roster, and you are its first lead: you invite colleagues and settle how it "
            . "works. Set your password here:\n\n{$address}\n\nThis opens once, for two days; \"I forgot my "
            . "password\" on the sign-in page sends another letter.\n";
        $this->mailer->raw($text, static function (Message $message) use ($lead, $reseller): void {
            $message->to($lead->sign_in)->subject("{$reseller}'s Jaunty Roster is ready for you");
        });
    }
}
