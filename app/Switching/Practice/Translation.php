<?php

declare(strict_types=1);

namespace App\Switching\Practice;

use App\Switching\Practice\Fields\Address;
use App\Switching\Practice\Fields\Bit;
use App\Switching\Practice\Fields\Callers;
use App\Switching\Practice\Fields\DateNumber;
use App\Switching\Practice\Fields\Minutes;
use App\Switching\Practice\Fields\PersonName;
use App\Switching\Practice\Fields\Place;
use App\Switching\Practice\Fields\Places;
use App\Switching\Practice\Fields\Recording;
use App\Switching\Practice\Fields\Ringers;
use App\Switching\Practice\Fields\Rules;
use App\Switching\Practice\Fields\Telephone;
use App\Switching\Practice\Fields\Tenths;
use App\Switching\Practice\Fields\Treatment;
use App\Switching\Practice\Fields\Weekdays;
use App\Switching\Practice\Fields\WeekSpan;
use App\Switching\Practice\Fields\Words;
use App\Switching\Table\Dialect;
use App\Switching\Table\Fields\FieldCodec;
use App\Switching\Table\Fields\Items;
use App\Switching\Table\Fields\Nested;
use App\Switching\Table\Fields\Plain;
use App\Switching\Table\Fields\Pointer;
use App\Switching\Table\Fields\Pointers;
use App\Switching\Table\Fields\Word;
use App\Switching\Table\Marks;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;

/**
 * Which fields of a kind the practice switch carries, and how each stands there. What is not listed stays in the book
 * alone.
 */
final class Translation implements Dialect
{
    private const REACH = ['national' => 2, 'internal' => 0, 'local' => 1, 'international' => 3];

    /** In which form a trunk delivers a number. */
    private const FORMS = ['e164' => 'full', 'national' => 'home', 'withoutPlus' => 'bare'];

    /**
     * The collection that holds a kind's records; accounts stand above collections. Null for what stays in the book
     * alone.
     */
    public static function collection(Kind $kind): ?string
    {
        return match ($kind) {
            Kind::Tenant => 'accounts',
            Kind::Site => 'premises',
            Kind::Number => 'lines',
            Kind::User => 'persons',
            Kind::Group => 'bands',
            Kind::Chain => 'ladders',
            Kind::Attendant => 'greeters',
            Kind::Menu => 'keypads',
            Kind::Schedule => 'timetables',
            Kind::Calendar => 'almanacs',
            Kind::Mailbox => 'boxes',
            Kind::Announcement => 'notices',
            Kind::Prompt => 'recordings',
            Kind::Line => 'sockets',
            Kind::Device => 'sets',
            Kind::SharedLine => 'parties',
            Kind::Conference => 'tables',
            Kind::PickUpGroup => 'nets',
            Kind::ParkPlace => 'bays',
            Kind::PageZone => 'horns',
            Kind::Trunk => 'pipes',
            Kind::Route => 'ways',
            Kind::Team, Kind::Contact, Kind::Promise => null,
        };
    }

    /** @return list<Kind> kinds with a collection, owners before mailboxes */
    public static function carried(): array
    {
        return array_values(
            array_filter(Kind::listed(), static fn (Kind $kind): bool => self::collection($kind) !== null),
        );
    }

    /** @return array<string, FieldCodec> by our field */
    public static function fields(Kind $kind): array
    {
        return match ($kind) {
            Kind::Tenant => [
                'name' => new Plain('title'),
                'zone' => new Plain('clock'),
                'region' => new Plain('land'),
                'subdivision' => new Plain('county'),
                'language' => new Plain('tongue'),
                'secondsPerRing' => new Plain('ring_len'),
                'chainRings' => new Plain('ladder_rings'),
                'transferRings' => new Plain('hand_rings'),
                'outsidePrefix' => new Plain('out_digit'),
                'extensionLength' => new Plain('short_len'),
                'transferLimit' => new Plain('hop_max'),
                'mainNumber' => new Pointer('main_line'),
                'operator' => new Place('front'),
                'blocked' => new Items('barred', ['item' => new Plain('slot'), 'callers' => new Callers('match')]),
                'defaults' => self::defaults(),
                'features' => new Nested('stars', [
                    'codes' => new Nested('codes', [
                        'pickUp' => new Plain('grab'), 'pickUpOf' => new Plain('grab_of'),
                        'intercom' => new Plain('shout'), 'speedDial' => new Plain('quick'),
                        'signIn' => new Plain('sit_down'),
                    ]),
                    'speedDials' => new Items('quick', [
                        'item' => new Plain('slot'), 'digits' => new Plain('no'), 'name' => new Plain('caption'),
                        'number' => new Telephone('dial'),
                    ]),
                ]),
                'licences' => new Plain('seats', []),
            ],
            Kind::Site => [
                'name' => new Plain('caption'),
                'zone' => new Plain('clock'),
                'address' => new Address(),
                'floors' => new Items('storeys', ['item' => new Plain('slot'), 'name' => new Plain('caption')]),
                'extensionRanges' => new Items(
                    'short_spans',
                    ['item' => new Plain('slot'), 'from' => new Plain('lo'), 'to' => new Plain('hi')],
                ),
                'siteOut' => new Place('when_dark'),
                'defaults' => self::defaults(),
                'emergency' => new Nested('sos', [
                    'callback' => new Pointer('ring_back'),
                    'callbackUse' => new Word('mode', ['whenNone' => 'lacking', 'always' => 'ever']),
                    'notify' => new Plain('tell', []),
                ]),
            ],
            Kind::Number => [
                'label' => new Plain('caption'),
                'kind' => new Word('sort', ['local' => 'geo', 'tollFree' => 'free', 'mobile' => 'cell']),
                'enabled' => new Bit('active'),
                'destination' => new Place('lands_on'),
                'trunk' => new Pointer('via'),
                'deliveredAs' => new Word('arrives_as', self::FORMS, canBeUnset: true),
                'status' => new Word('phase', [
                    'active' => 'live', 'ordered' => 'asked', 'reserved' => 'kept', 'portingIn' => 'coming',
                    'temporary' => 'loan', 'portingOut' => 'going', 'quarantined' => 'resting', 'cancelled' => 'ended',
                ]),
                'from' => new DateNumber('since'),
                'until' => new DateNumber('up_to'),
                'replaces' => new Pointer('stands_for'),
                'site' => new Pointer('at_premises'),
                'carrierDiversion' => new Place('spill'),
                'callerRules' => new Items(
                    'screens',
                    ['item' => new Plain('slot'), 'callers' => new Callers('match'), 'then' => new Place('to')],
                ),
                'callerName' => new Plain('shown_as'),
                'prefix' => new Plain('tag'),
                'recording' => new Recording(),
                'messaging' => new Bit('texts'),
                'ringStyle' => new Plain('tune'),
            ],
            Kind::User => [
                'extension' => new Plain('short'),
                'name' => new PersonName(),
                'display' => new Plain('shown_as'),
                'email' => new Plain('mail'),
                'site' => new Pointer('at_premises'),
                'zone' => new Plain('clock'),
                'schedule' => new Pointer('hours'),
                'status' => new Word('standing', ['active' => 'on', 'suspended' => 'held', 'leaver' => 'gone']),
                'callingClass' => new Word('reach', self::REACH),
                'callWaiting' => new Bit('second_call'),
                'mailbox' => new Pointer('box'),
                'callerId' => new Pointer('presents'),
                'showsOutside' => new Telephone('presents_foreign'),
                'withholds' => new Bit('masked'),
                'licence' => new Plain('seat', 'user'),
                'legs' => new Ringers(),
                'handling' => new Rules(),
                'emergency' => new Nested(
                    'sos',
                    ['floor' => new Plain('storey'), 'room' => new Plain('room'), 'address' => new Plain('postal')],
                ),
                'directory' => new Nested('book', ['listed' => new Bit('printed'), 'spokenName' => new Bit('voiced')]),
                'reportsTo' => new Pointer('answers_to'),
                'skills' => new Items('crafts', ['item' => new Plain('slot'), 'level' => new Plain('grade')]),
            ],
            Kind::Group => [
                'extension' => new Plain('short'),
                'name' => new Plain('caption'),
                'site' => new Pointer('at_premises'),
                'enabled' => new Bit('active'),
                'order' => new Word('pick', [
                    'simultaneous' => 'all', 'sequential' => 'top', 'roundRobin' => 'turn', 'longestIdle' => 'rested',
                    'weighted' => 'lot',
                ]),
                'members' => new Items('crew', [
                    'item' => new Plain('slot'), 'who' => new Place('who'), 'tier' => new Plain('rank', 1),
                    'share' => new Plain('weight'), 'signedIn' => new Bit('on'), 'confirm' => new Bit('ask'),
                ]),
                'ringsEach' => new Plain('rings'),
                'rotations' => new Plain('laps'),
                'noAnswerSeconds' => new Tenths('give_up'),
                'skipBusy' => new Bit('pass_busy'),
                'mostAtOnce' => new Plain('at_once_max'),
                'restAfterNoAnswer' => new Tenths('breather'),
                'wrapUp' => new Tenths('tidy_up'),
                'signInBy' => new Word('roll', ['member' => 'self', 'administrator' => 'boss']),
                'tierTwo' => new Word('reserve', ['unavailable' => 'stand_in', 'alsoTried' => 'join_in']),
                'schedule' => new Pointer('hours'),
                'closedByHand' => new Bit('shut'),
                'handClosable' => new Bit('shuttable'),
                'queue' => new Nested('queue', [
                    'most' => new Plain('size'), 'longestWait' => new Tenths('wait_max'),
                    'comfortEvery' => new Tenths('hint_every'), 'exitKey' => new Plain('leave_key'),
                    'greeting' => new Pointer('hello'), 'comfort' => new Pointer('hint'), 'music' => new Pointer('air'),
                ]),
                'otherwise' => new Nested('else', [
                    'closed' => new Place('night'), 'holiday' => new Place('feast'),
                    'closedByHand' => new Place('shut'), 'nobodySignedIn' => new Place('nobody'),
                    'allUnreachable' => new Place('dark'),
                    'allBusy' => new Place('talking'), 'noAnswer' => new Place('unheard'),
                    'queueFull' => new Place('brimful'), 'exit' => new Place('left'),
                ]),
                'prefix' => new Plain('tag'),
                'onwardClass' => new Word('reach', self::REACH),
                'mailbox' => new Pointer('box'),
                'watchers' => new Items('ears', [
                    'item' => new Plain('slot'),
                    'who' => new Pointer('person'),
                    'may' => new Words('rights', ['listen', 'whisper', 'join', 'takeOver']),
                ]),
            ],
            Kind::Chain => [
                'name' => new Plain('caption'),
                'announcement' => new Pointer('first'),
                'onwardClass' => new Word('reach', self::REACH),
                'places' => new Items(
                    'rungs',
                    ['item' => new Plain('slot'), 'to' => new Place('to'), 'rings' => new Plain('rings')],
                ),
            ],
            Kind::Attendant => [
                'extension' => new Plain('short'),
                'name' => new Plain('caption'),
                'site' => new Pointer('at_premises'),
                'zone' => new Plain('clock'),
                'language' => new Plain('tongue'),
                'enabled' => new Bit('active'),
                'schedule' => new Pointer('hours'),
                'onwardClass' => new Word('reach', self::REACH),
                'answers' => new Items('cases', [
                    'item' => new Plain('slot'), 'when' => new Plain('if'), 'greeting' => new Pointer('say'),
                    'then' => new Place('to'),
                ]),
            ],
            Kind::Menu => [
                'name' => new Plain('caption'),
                'site' => new Pointer('at_premises'),
                'prompt' => new Pointer('say'),
                'keys' => new Items(
                    'buttons',
                    ['item' => new Plain('slot'), 'to' => new Place('to'), 'label' => new Plain('note')],
                ),
                'plays' => new Plain('turns'),
                'wait' => new Tenths('patience'),
                'invalidPrompt' => new Pointer('say_wrong'),
                'invalidAllowed' => new Plain('slips'),
                'invalid' => new Place('on_wrong'),
                'silence' => new Place('on_silence'),
                'transfer' => new Word('hand_over', ['comesBack' => 'asked', 'blind' => 'dropped']),
                'onwardClass' => new Word('reach', self::REACH),
                'dialExtensions' => new Nested('shorts', [
                    'scope' => new Word('whose', ['off' => 'none', 'site' => 'house', 'all' => 'every']),
                    'least' => new Plain('lo'), 'most' => new Plain('hi'), 'interdigit' => new Tenths('pause'),
                ]),
                'dialByName' => new Nested('names', [
                    'scope' => new Word('whose', [
                        'off' => 'none', 'site' => 'house', 'all' => 'every', 'groups' => 'bands',
                    ]),
                    'groups' => new Pointers('bands'),
                    'by' => new Word('by', ['first' => 'given', 'last' => 'family', 'either' => 'any']),
                    'match' => new Word('how', ['partial' => 'start', 'whole' => 'full']),
                ]),
            ],
            Kind::Schedule => [
                'name' => new Plain('caption'),
                'fixedZone' => new Plain('clock'),
                'finishShift' => new Bit('run_over'),
                'weekly' => new Items('week', self::piece()),
                'exceptions' => new Items('odd_days', [
                    'item' => new Plain('slot'), 'from' => new DateNumber('first'), 'to' => new DateNumber('last'),
                    'name' => new Plain('caption'),
                    'hours' => new Items('open', ['from' => new Minutes('starts'), 'to' => new Minutes('stops')]),
                    'announcedAs' => new Word('said_as', ['closed' => 'night', 'holiday' => 'feast', 'open' => 'day']),
                ]),
                'periods' => new Items('spells', [
                    'item' => new Plain('slot'), 'name' => new Plain('caption'), 'from' => new DateNumber('first'),
                    'to' => new DateNumber('last'), 'rrule' => new Plain('again'),
                    'weekly' => new Items('week', self::piece()),
                ]),
                'calendars' => new Pointers('almanacs'),
            ],
            Kind::Calendar => [
                'name' => new Plain('caption'),
                'region' => new Plain('land'),
                'knownUntil' => new DateNumber('good_till'),
                'holidays' => new Items('feasts', [
                    'item' => new Plain('slot'), 'name' => new Plain('caption'), 'date' => new DateNumber('on'),
                    'whenWeekend' => new Word('moved', ['actual' => 'no', 'substitute' => 'yes', 'both' => 'both']),
                    'rule' => new Nested('yearly', [
                        'fixed' => new Plain('day'), 'nth' => new Plain('nth'), 'last' => new Plain('last'),
                        'weekday' => new Plain('weekday'), 'month' => new Plain('month'),
                        'easter' => new Plain('easter'),
                    ]),
                ]),
            ],
            Kind::Mailbox => [
                'name' => new Plain('caption'),
                'extension' => new Plain('short'),
                'owner' => new Pointer('person'),
                'enabled' => new Bit('active'),
                'greeting' => new Pointer('say'),
                'zero' => new Place('on_zero'),
                'full' => new Bit('brimful'),
                'pin' => new Word('lock', ['set' => 2, 'weak' => 1, 'none' => 0]),
                'notify' => new Plain('tell', []),
                'attachAudio' => new Bit('with_sound'),
                'deleteAfterMail' => new Bit('wipe'),
                'transcribe' => new Bit('spell_out'),
            ],
            Kind::Announcement => ['name' => new Plain('caption'), 'prompt' => new Pointer('say'), 'then' => new Place(
                'to',
            )],
            Kind::Prompt => [
                'name' => new Plain('caption'),
                'script' => new Plain('text'),
                'language' => new Plain('tongue'),
                'audio' => new Plain('sound'),
                'standIn' => new Bit('dummy'),
            ],
            Kind::Line => [
                'extension' => new Plain('short'),
                'name' => new Plain('caption'),
                'purpose' => new Word('use', [
                    'fax' => 'paper', 'alarm' => 'guard', 'lift' => 'hoist', 'door' => 'gate', 'card' => 'till',
                    'other' => 'misc',
                ]),
                'site' => new Pointer('at_premises'),
            ],
            Kind::Device => [
                'name' => new Plain('caption'),
                'model' => new Plain('make'),
                'hardware' => new Plain('mac'),
                'site' => new Pointer('at_premises'),
                'status' => new Word('fate', ['inUse' => 'out', 'spare' => 'shelf', 'broken' => 'scrap']),
                'hotDesk' => new Bit('guest'),
                'lines' => new Items('owners', ['item' => new Plain('slot'), 'user' => new Pointer('person')]),
                'keys' => new Items('buttons', [
                    'item' => new Plain('slot'), 'at' => new Plain('no', 1),
                    'kind' => new Word('use', [
                        'lamp' => 'light', 'line' => 'line', 'speedDial' => 'quick', 'park' => 'bay',
                        'pickUp' => 'grab', 'page' => 'horn', 'code' => 'star', 'blank' => 'none',
                    ]),
                    'to' => new Place('of'), 'number' => new Telephone('dial'), 'digits' => new Plain('keys'),
                    'label' => new Plain('note'),
                ]),
            ],
            Kind::SharedLine => [
                'extension' => new Plain('short'),
                'name' => new Plain('caption'),
                'site' => new Pointer('at_premises'),
                'enabled' => new Bit('active'),
                'members' => self::people(),
                'rings' => new Plain('rings'),
                'busy' => new Place('full'),
                'noAnswer' => new Place('unheard'),
                'mailbox' => new Pointer('box'),
            ],
            Kind::Conference => [
                'extension' => new Plain('short'),
                'name' => new Plain('caption'),
                'site' => new Pointer('at_premises'),
                'enabled' => new Bit('active'),
                'most' => new Plain('chairs'),
                'pin' => new Word('lock', ['set' => 2, 'weak' => 1, 'none' => 0]),
            ],
            Kind::PickUpGroup => ['name' => new Plain('caption'), 'members' => self::people()],
            Kind::ParkPlace => [
                'extension' => new Plain('short'),
                'name' => new Plain('caption'),
                'site' => new Pointer('at_premises'),
                'comesBackAfter' => new Tenths('hold'),
                'comesBackTo' => new Place('then'),
            ],
            Kind::PageZone => [
                'extension' => new Plain('short'),
                'name' => new Plain('caption'),
                'site' => new Pointer('at_premises'),
                'members' => self::people(),
            ],
            Kind::Trunk => [
                'name' => new Plain('caption'),
                'enabled' => new Bit('active'),
                'carrier' => new Plain('by'),
                'channels' => new Plain('width'),
                'outboundChannels' => new Plain('width_out'),
                'callerId' => new Pointer('presents'),
                'deliversAs' => new Word('arrives_as', self::FORMS),
                'outsideCallersOut' => new Bit('strangers_out'),
                'keepsForwardedCallerId' => new Bit('keeps_caller'),
            ],
            Kind::Route => [
                'name' => new Plain('caption'),
                'position' => new Plain('place'),
                'digits' => new Plain('match'),
                'strip' => new Plain('cut'),
                'prepend' => new Plain('put', ''),
                'class' => new Word('reach', ['local' => 1] + self::REACH),
                'emergency' => new Bit('sos'),
                'schedule' => new Pointer('hours'),
                'pin' => new Word('lock', ['none' => 0, 'set' => 1]),
                'blocked' => new Places('not_for'),
                'trunks' => new Pointers('pipes'),
                'extensionAsCallerId' => new Bit('shows_short'),
            ],
            Kind::Team, Kind::Contact, Kind::Promise => [],
        };
    }

    /** Where whoever sets nothing of his own sends calls. */
    private static function defaults(): Nested
    {
        return new Nested('fallbacks', [
            'noAnswer' => new Treatment('unheard'), 'busy' => new Treatment('full'),
            'unreachable' => new Treatment('dark'), 'doNotDisturb' => new Treatment('hush'),
        ]);
    }

    private static function people(): Items
    {
        return new Items('crew', ['item' => new Plain('slot'), 'who' => new Pointer('person')]);
    }

    /** @return array<string, FieldCodec> of a piece of weekly hours */
    private static function piece(): array
    {
        return [
            'item' => new Plain('slot'), 'days' => new Weekdays('days'), 'from' => new Minutes('starts'),
            'to' => new Minutes('stops'), 'span' => new WeekSpan('runs'),
        ];
    }

    public function held(): array
    {
        return self::carried();
    }

    public function of(Kind $kind): array
    {
        return self::fields($kind);
    }

    public function named(Reference $object): array
    {
        return match ($object->kind) {
            Kind::Tenant => ['handle' => $object->key],
            Kind::Number => ['digits' => ltrim($object->key, '+')],
            default => [],
        };
    }

    public function marks(Kind $kind, array $fields): Marks
    {
        $text = static fn (string $field): ?string => is_string($fields[$field] ?? null) ? $fields[$field] : null;

        return new Marks(
            $text('digits') === null ? null : '+' . $text('digits'),
            $text('short'),
            $kind === Kind::Mailbox ? $text('person') : null,
            $text('caption'),
        );
    }

    public function secret(string $field, string $value): array
    {
        return [$field === 'registration' ? 'login' : 'lock_code' => $value];
    }
}
