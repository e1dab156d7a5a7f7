<?php

declare(strict_types=1);

namespace App\Settings;

use App\Access\AccessDenied;
use App\Access\Leads;
use App\Activity\ActivityLog;
use App\House\House;
use App\Models\Technician;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Mail\Message;

/** Shows a lead that letters go out, and in whose name. */
final readonly class TestLetter
{
    public function __construct(
        private Mailer $mailer,
        private House $house,
        private ActivityLog $log,
        private Leads $leads,
    ) {
    }

    /**
     * @throws AccessDenied
     * @throws \Symfony\Component\Mailer\Exception\TransportExceptionInterface
     */
    public function send(Technician $lead): void
    {
        $this->leads->requireSettings($lead);
        $reseller = $this->house->settings()->reseller;
        $text = "Letters of {$reseller}'s Jaunty Roster arrive. This one was sent by {$lead->name}, to try it.\n";
        $this->mailer->raw($text, static function (Message $message) use ($lead, $reseller): void {
            $message->to($lead->sign_in)->subject("A letter from {$reseller}'s Jaunty Roster, to try it");
        });
        $this->log->note($lead->id, 'sent a letter to try the mail');
    }
}
