<?php

declare(strict_types=1);

namespace Jaunty\Core\Book;

/** A public telephone number and where its calls go. Its key is the number itself, in E.164 with a plus. */
final readonly class Number implements BookObject
{
    /** ITU-T E.164: a plus, then at most fifteen digits of which the first is not 0. */
    public const E164 = '/^\+[1-9][0-9]{5,14}$/D';

    /**
     * @param  list<CallerRule>  $callerRules  first match wins
     * @param  array{in: bool, out: bool}  $recording
     */
    private function __construct(
        public string $key,
        public ?string $id,
        public string $label,
        public NumberKind $numberKind,
        public bool $enabled,
        public ?Destination $destination,
        public ?Reference $trunk,
        public ?DeliveredForm $deliveredAs,
        public NumberStatus $status,
        public ?string $from,
        public ?string $until,
        public ?Reference $replaces,
        public ?Reference $site,
        public ?Destination $carrierDiversion,
        public array $callerRules,
        public ?string $prefix,
        public ?string $callerName,
        public array $recording,
        public bool $messaging,
        public ?string $ringStyle,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->allow('key', 'id', 'label', 'kind', 'enabled', 'destination', 'trunk', 'deliveredAs', 'status', 'from', 'until', 'replaces', 'site', 'carrierDiversion', 'callerRules', 'prefix', 'callerName', 'recording', 'messaging', 'ringStyle');
        $recording = $node->object('recording');
        $recording->allow('in', 'out');

        return new self(
            key: $node->phone('key'),
            id: $node->id(),
            label: $node->text('label', $node->text('key')),
            numberKind: $node->choice('kind', NumberKind::class, NumberKind::Local),
            enabled: $node->flag('enabled', true),
            destination: $node->destination('destination'),
            trunk: $node->reference('trunk', Kind::Trunk),
            deliveredAs: $node->isNullOrMissing('deliveredAs') ? null : $node->choice('deliveredAs', DeliveredForm::class, DeliveredForm::E164),
            status: $node->choice('status', NumberStatus::class, NumberStatus::Active),
            from: $node->date('from'),
            until: $node->date('until'),
            replaces: $node->reference('replaces', Kind::Number),
            site: $node->reference('site', Kind::Site),
            carrierDiversion: $node->destination('carrierDiversion'),
            callerRules: $node->items('callerRules', CallerRule::read(...)),
            prefix: $node->textOrNull('prefix'),
            callerName: $node->textOrNull('callerName'),
            recording: ['in' => $recording->flag('in', false), 'out' => $recording->flag('out', false)],
            messaging: $node->flag('messaging', false),
            ringStyle: $node->textOrNull('ringStyle'),
        );
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

    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'label' => $this->label,
            'kind' => $this->numberKind->value,
            'enabled' => $this->enabled,
            'destination' => $this->destination === null ? null : (string) $this->destination,
            'trunk' => Links::text($this->trunk),
            'deliveredAs' => $this->deliveredAs?->value,
            'status' => $this->status->value,
            'from' => $this->from,
            'until' => $this->until,
            'replaces' => $this->replaces === null ? null : (string) $this->replaces,
            'site' => $this->site === null ? null : (string) $this->site,
            'carrierDiversion' => $this->carrierDiversion === null ? null : (string) $this->carrierDiversion,
            'callerRules' => array_map(static fn (CallerRule $rule): array => $rule->toArray(), $this->callerRules),
            'prefix' => $this->prefix,
            'callerName' => $this->callerName,
            'recording' => $this->recording,
            'messaging' => $this->messaging,
            'ringStyle' => $this->ringStyle,
        ];
    }

    public function links(): array
    {
        $links = [
            ...Links::destination('destination', $this->destination),
            ...Links::reference('trunk', $this->trunk),
            ...Links::reference('replaces', $this->replaces),
            ...Links::reference('site', $this->site),
            ...Links::destination('carrierDiversion', $this->carrierDiversion),
        ];
        foreach ($this->callerRules as $rule) {
            array_push($links, ...Links::destination("callerRules/{$rule->item}/then", $rule->then));
        }

        return $links;
    }
}
