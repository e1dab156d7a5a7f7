<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\RoutePin;
use Jaunty\Core\Book\Trunk;

/** What digits come to, with what every route said. */
final readonly class Dialled
{
    /**
     * @param  list<RouteSaid>  $said  in the order the routes are asked
     * @param  string  $reason  why it comes to this, as a sentence's end
     * @param  list<string>  $remarks  what to mind besides
     * @param  ?BookObject  $inside  whom an extension reaches
     * @param  ?Route  $route  which takes it out; null where nothing does
     * @param  string  $sent  the digits the trunk is given; empty where none is
     * @param  ?string  $number  what they are read as out there, in E.164; null where that is no number, or a short one
     * @param  ?CallerId  $callerId  what the other side sees
     */
    public function __construct(
        public DialEnd $end,
        public array $said,
        public string $reason,
        public array $remarks,
        public ?BookObject $inside = null,
        public ?Route $route = null,
        public ?Trunk $trunk = null,
        public string $sent = '',
        public ?string $number = null,
        public ?CallerId $callerId = null,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'end' => $this->end->value,
            'inside' => $this->inside === null ? null : "{$this->inside->kind()->value}:{$this->inside->key()}",
            'route' => $this->route?->key,
            'trunk' => $this->trunk?->key,
            'sent' => $this->sent,
            'number' => $this->number,
            'asksPin' => $this->asksPin(),
            'callerId' => $this->callerId === null
                ? null
                : ['shown' => $this->callerId->shown, 'whose' => $this->callerId->whose],
            'reason' => $this->reason,
            'remarks' => $this->remarks,
            'routes' => array_map(
                static fn (RouteSaid $said): array => [
                    'route' => $said->route->key,
                    'verdict' => $said->verdict->value,
                    'why' => $said->why,
                ],
                $this->said,
            ),
        ];
    }

    public function asksPin(): bool
    {
        return $this->route !== null && $this->end === DialEnd::Outside && $this->route->pin !== RoutePin::None;
    }
}
