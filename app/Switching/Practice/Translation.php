<?php

declare(strict_types=1);

namespace App\Switching\Practice;

use App\Switching\Practice\Fields\Address;
use App\Switching\Practice\Fields\Bit;
use App\Switching\Practice\Fields\FieldCodec;
use App\Switching\Practice\Fields\PersonName;
use App\Switching\Practice\Fields\Place;
use App\Switching\Practice\Fields\Plain;
use App\Switching\Practice\Fields\Pointer;
use App\Switching\Practice\Fields\Recording;
use App\Switching\Practice\Fields\Ringers;
use App\Switching\Practice\Fields\Rules;
use App\Switching\Practice\Fields\Word;
use App\Switching\SwitchTrouble;
use Jaunty\Core\Book\Kind;

/** Which fields of a kind the practice switch carries, and how each stands there. What is not listed stays in the book alone. */
final class Translation
{
    /** The collection that holds a kind's records; accounts stand above collections. */
    public static function collection(Kind $kind): string
    {
        return match ($kind) {
            Kind::Tenant => 'accounts',
            Kind::Site => 'premises',
            Kind::Number => 'lines',
            Kind::User => 'persons',
            Kind::Mailbox => 'boxes',
            default => throw SwitchTrouble::refused("it has no place for a {$kind->value} yet"),
        };
    }

    /** @return array<string, FieldCodec> by our field */
    public static function fields(Kind $kind): array
    {
        return match ($kind) {
            Kind::Tenant => [
                'name' => new Plain('title'),
                'zone' => new Plain('clock'),
                'region' => new Plain('land'),
                'language' => new Plain('tongue'),
                'secondsPerRing' => new Plain('ring_len'),
                'mainNumber' => new Pointer('main_line'),
                'operator' => new Place('front'),
            ],
            Kind::Site => [
                'name' => new Plain('caption'),
                'zone' => new Plain('clock'),
                'address' => new Address(),
                'siteOut' => new Place('when_dark'),
            ],
            Kind::Number => [
                'label' => new Plain('caption'),
                'enabled' => new Bit('active'),
                'destination' => new Place('lands_on'),
                'site' => new Pointer('at_premises'),
                'callerName' => new Plain('shown_as'),
                'prefix' => new Plain('tag'),
                'recording' => new Recording(),
                'messaging' => new Bit('texts'),
            ],
            Kind::User => [
                'extension' => new Plain('short'),
                'name' => new PersonName(),
                'display' => new Plain('shown_as'),
                'email' => new Plain('mail'),
                'site' => new Pointer('at_premises'),
                'zone' => new Plain('clock'),
                'status' => new Word('standing', ['active' => 'on', 'suspended' => 'held', 'leaver' => 'gone']),
                'callingClass' => new Word('reach', ['internal' => 0, 'local' => 1, 'national' => 2, 'international' => 3]),
                'callWaiting' => new Bit('second_call'),
                'mailbox' => new Pointer('box'),
                'callerId' => new Pointer('presents'),
                'reportsTo' => new Pointer('answers_to'),
                'legs' => new Ringers(),
                'handling' => new Rules(),
            ],
            Kind::Mailbox => [
                'name' => new Plain('caption'),
                'extension' => new Plain('short'),
                'owner' => new Pointer('person'),
                'enabled' => new Bit('active'),
                'zero' => new Place('on_zero'),
                'full' => new Bit('brimful'),
                'notify' => new Plain('tell', []),
                'attachAudio' => new Bit('with_sound'),
                'deleteAfterMail' => new Bit('wipe'),
                'transcribe' => new Bit('spell_out'),
            ],
            default => [],
        };
    }

    /**
     * @param  array<string, mixed>  $fields  ours
     * @return array<string, mixed> the record's
     */
    public static function toSwitch(Kind $kind, array $fields, Names $names): array
    {
        $record = [];
        foreach (self::fields($kind) as $our => $codec) {
            if (array_key_exists($our, $fields)) {
                $record += $codec->toSwitch($fields[$our], $names);
            }
        }

        return $record;
    }

    /**
     * @param  array<string, mixed>  $record
     * @return array<string, mixed> ours, only what the switch carries
     */
    public static function fromSwitch(Kind $kind, array $record, Names $names): array
    {
        return array_map(static fn (FieldCodec $codec): mixed => $codec->fromSwitch($record, $names), self::fields($kind));
    }

    /** Which of our fields a field of the record belongs to. */
    public static function ourField(Kind $kind, string $their): ?string
    {
        foreach (self::fields($kind) as $our => $codec) {
            if (in_array($their, $codec->theirs(), true)) {
                return $our;
            }
        }

        return null;
    }
}
