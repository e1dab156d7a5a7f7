<?php

declare(strict_types=1);

namespace Jaunty\Bench;

use App\Switching\Bindings;
use App\Switching\Bound;
use Jaunty\Core\Book\Reference;

/** A customer pushed to the practice switch for the first time, and what of it goes into who is bound to what. */
final class FirstPush
{
    private const PATIENCE_SECONDS = 600;

    /** A worker takes a push up anew so often, and reads all bindings then. */
    private const SLICE_SECONDS = 3;

    private readonly float $took;

    private readonly int $objects;

    public function __construct(Served $served, string $customer)
    {
        $began = microtime(true);
        $push = self::read($served->ask('POST', "/api/customers/{$customer}/pushes"));
        do {
            usleep(500_000);
            $state = self::read($served->ask('GET', "/api/customers/{$customer}/pushes/{$push['id']}"));
            if (microtime(true) - $began > self::PATIENCE_SECONDS) {
                throw new \RuntimeException('the push does not end');
            }
        } while (in_array($state['status'], ['queued', 'running', 'waiting'], true));
        if ($state['status'] !== 'done') {
            throw new \RuntimeException("the push ended {$state['status']}: {$state['reason']}");
        }
        $this->took = microtime(true) - $began;
        $this->objects = count($state['steps']);
    }

    /** What as many objects as were pushed cost to bind one after another, and to be read once for each slice. */
    public function shareOfBindings(): float
    {
        $pairs = [];
        for ($nth = 0; $nth < $this->objects; $nth++) {
            $pairs[] = [Reference::parse("user:u{$nth}"), new Bound("p-{$nth}", '1')];
        }
        $began = hrtime(true);
        $bound = Bindings::none();
        foreach ($pairs as [$object, $each]) {
            $bound = $bound->with($object, $each);
            $bound->of($object);
        }
        for ($slice = 0; $slice < $this->took / self::SLICE_SECONDS; $slice++) {
            Bindings::fromPairs($pairs)->withAll($pairs);
        }

        return (hrtime(true) - $began) / 1e9 / $this->took;
    }

    /** @return array{id: string, status: string, reason: ?string, steps: list<mixed>} */
    private static function read(string $json): array
    {
        /** @var array{id: string, status: string, reason: ?string, steps: list<mixed>} */
        return (array) json_decode($json, true, flags: JSON_THROW_ON_ERROR);
    }
}
