<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

use Jaunty\Core\Book\Fields\Choice;
use Jaunty\Core\Book\Fields\Day;
use Jaunty\Core\Book\Fields\Flag;
use Jaunty\Core\Book\Fields\Id;
use Jaunty\Core\Book\Fields\Items;
use Jaunty\Core\Book\Fields\LeadsTo;
use Jaunty\Core\Book\Fields\Phone;
use Jaunty\Core\Book\Fields\Refers;
use Jaunty\Core\Book\Fields\Said;
use Jaunty\Core\Book\Fields\Shape;
use Jaunty\Core\Book\Fields\Text;

/** A public telephone number and where its calls go. Its key is the number itself, in E.164 with a plus. */
final readonly class Number implements BookObject
{
    use Declared;

    /** ITU-T E.164: a plus, then at most fifteen digits of which the first is not 0. */
    public const E164 = '/^\+[1-9][0-9]{5,14}$/D';

    /**
     * @param  list<CallerRule>  $callerRules  first match wins
     * @param  array{in: bool, out: bool}  $recording
     */
    private function __construct(
        #[Phone(must: true)]
        public string $key,
        #[Id]
        public ?string $id,
        #[Text(like: 'key')]
        #[Said('Label')]
        public string $label,
        #[Choice(NumberKind::Local, name: 'kind')]
        public NumberKind $numberKind,
        #[Flag(true)]
        public bool $enabled,
        #[LeadsTo]
        #[Said('Leads to')]
        public ?Destination $destination,
        #[Refers(Kind::Trunk)]
        public ?Reference $trunk,
        #[Choice(DeliveredForm::E164, mayBeUnset: true)]
        #[Said(
            'Comes as',
            'In which form the carrier delivers it; unset: as its trunk does.',
            unset: 'as its trunk says',
        )]
        public ?DeliveredForm $deliveredAs,
        #[Choice(NumberStatus::Active)]
        #[Said('Status')]
        public NumberStatus $status,
        #[Day]
        #[Said(help: 'First day in service.')]
        public ?string $from,
        #[Day]
        #[Said(help: 'Last day in service.')]
        public ?string $until,
        #[Refers(Kind::Number)]
        public ?Reference $replaces,
        #[Refers(Kind::Site)]
        public ?Reference $site,
        #[LeadsTo]
        #[Said(help: 'Where the carrier sends its calls when the switch cannot be reached.')]
        public ?Destination $carrierDiversion,
        #[Items(CallerRule::class)]
        #[Said(help: 'Tried in their order before the number leads anywhere.')]
        public array $callerRules,
        #[Text]
        #[Said(help: 'Put in front of the caller\'s name.')]
        public ?string $prefix,
        #[Text]
        public ?string $callerName,
        #[Shape(['in' => new Flag(false), 'out' => new Flag(false)])]
        #[Said(inside: ['in' => 'Calls in', 'out' => 'Calls out'])]
        public array $recording,
        #[Flag(false)]
        public bool $messaging,
        #[Text]
        #[Said('Ring tone')]
        public ?string $ringStyle,
    ) {
    }

    public function kind(): Kind
    {
        return Kind::Number;
    }

    public function key(): string
    {
        return $this->key;
    }

    public function id(): ?string
    {
        return $this->id;
    }

    public function label(): string
    {
        return $this->label;
    }

    public function extension(): ?string
    {
        return null;
    }
}
