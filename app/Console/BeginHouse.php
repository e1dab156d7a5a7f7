<?php

declare(strict_types=1);

namespace App\Console;

use App\Settings\Beginning;
use App\Settings\HasBegun;
use App\Settings\SettingsForm;
use Illuminate\Console\Command;
use Illuminate\Contracts\Validation\Factory;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;

/** Asks for what a house begins with, or takes it by options. Ends with 0 once it has begun, 2 where it has not. */
final class BeginHouse extends Command
{
    private const UNDONE = 2;

    /** What is asked, in this order, with an example. */
    private const ASKED = [
        'reseller' => 'The reseller\'s name, as customers know it',
        'lead' => 'Mail address of the first lead, who signs in with it',
        'name' => 'Name of the first lead, as colleagues read it',
        'region' => 'Whose holidays and numbers are usual (country and part of it: CA-NS, GB-SCT, US-MA)',
        'zone' => 'Time zone in which nightly times are meant (America/Halifax)',
    ];

    protected $signature = 'roster:begin {--reseller= : the reseller\'s name} '
        . '{--lead= : mail address of the first lead} '
        . '{--name= : name of the first lead} {--region= : such as CA-NS} {--zone= : such as America/Halifax} '
        . '{--print-link : say here where the password is set, instead of by letter}';

    protected $description = 'Begin a house: the reseller, and the first lead, who sets a password by letter';

    public function handle(Beginning $beginning, Factory $validators): int
    {
        $said = [];
        foreach (self::ASKED as $name => $question) {
            $given = $this->option($name);
            if (! is_string($given) && $this->input->isInteractive()) {
                $given = $this->ask($question);
            }
            $said[$name] = is_string($given) ? trim($given) : '';
        }
        $rules = SettingsForm::rules();
        $faults = $validators->make($said, [
            'reseller' => $rules['reseller'], 'region' => $rules['region'], 'zone' => $rules['zone'],
            'lead' => ['required', 'email:rfc', 'max:200'], 'name' => ['required', 'string', 'max:80'],
        ], SettingsForm::MESSAGES + [
            'lead.required' => 'Say the first lead\'s mail address.', 'lead.email' => 'This is no mail address.',
            'name.required' => 'Say the first lead\'s name.',
        ])->errors();
        foreach ($faults->keys() as $name) {
            $typed = $said[$name] === '' ? '' : " \"{$said[$name]}\"";
            $this->error("--{$name}{$typed}: {$faults->first($name)}");
        }
        if ($faults->isNotEmpty()) {
            return self::UNDONE;
        }
        $prints = $this->option('print-link') === true;
        try {
            $address = $beginning->begin(
                $said['reseller'],
                $said['region'],
                $said['zone'],
                $said['name'],
                $said['lead'],
                ! $prints,
            );
        } catch (HasBegun $fault) {
            $this->error($fault->getMessage());

            return self::UNDONE;
        } catch (TransportExceptionInterface $fault) {
            $this->error('The letter could not be sent, and nothing has begun: ' . $fault->getMessage());
            $this->line('Mend the MAIL_ lines of the settings file, or say --print-link to be told the address here.');

            return self::UNDONE;
        }
        $this->line($prints
            ? "{$said['name']} sets a password here, once, within two days:\n{$address}"
            : "A letter went to {$said['lead']}: it says where the password is set, and opens for two days.");

        return self::SUCCESS;
    }
}
