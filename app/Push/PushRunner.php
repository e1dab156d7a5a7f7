<?php

declare(strict_types=1);

namespace App\Push;

use App\Access\AccessDenied;
use App\Access\CustomerNotFound;
use App\Access\Scope;
use App\Book\BookRepository;
use App\Drift\Comparer;
use App\Drift\LiveReader;
use App\Models\Ability;
use App\Models\Push;
use App\Models\PushStatus;
use App\Models\PushStep;
use App\Models\StepStatus;
use App\Models\TenantRow;
use App\Roster\SummaryKeeper;
use App\Secrets\SecretKeeper;
use App\Switching\Bindings;
use App\Switching\BindingStore;
use App\Switching\Bound;
use App\Switching\SwitchConnector;
use App\Switching\Switches;
use App\Switching\SwitchSession;
use App\Switching\SwitchTrouble;
use App\Time\Clock;
use Illuminate\Database\ConnectionInterface;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Provisioning\Planner;
use Jaunty\Core\Provisioning\StepKind;

/**
 * Works through a run sheet in slices. Around each call to the switch stand two short transactions: the intent before,
 * the result after; so a kill at any moment leaves a step known as waiting, sent or done, and `sent` is asked again
 * under the same key. A push is done only when reading back compares empty.
 */
final readonly class PushRunner
{
    private const SLICE_SECONDS = 3.0;

    /** Longer than one call to the switch may take; a killed worker's push waits no longer than this. */
    private const LEASE_SECONDS = 8;

    private const MOST_ATTEMPTS = 12;

    public function __construct(
        private Scope $scope,
        private BookRepository $books,
        private BindingStore $bindings,
        private LiveReader $live,
        private Switches $switches,
        private Comparer $comparer,
        private RunSheetStore $sheets,
        private SummaryKeeper $summaries,
        private SecretKeeper $secrets,
        private Clock $clock,
        private ConnectionInterface $db,
    ) {
    }

    /** @return ?int seconds until the next slice; null where the push has ended */
    public function carryOn(string $tenantId, string $technicianId, string $pushId): ?int
    {
        try {
            $push = $this->claim($tenantId, $technicianId, $pushId);
            if (! $push instanceof Push) {
                return $push;
            }
            if ($push->status === PushStatus::Queued) {
                $this->plan($push);
            }
            $books = $this->inScope($push, fn (): array => [
                $this->books->at($push->tenant_id, $push->revision),
                $this->books->head($push->tenant_id),
            ]);
            $until = microtime(true) + self::SLICE_SECONDS;
            [$switch, $known] = $this->inScope(
                $push,
                fn (TenantRow $tenant): array => $this->asKnown($push, $tenant, $books),
            );
            $step = $this->inScope($push, fn (): ?PushStep => $this->intend($push));
            while ($step !== null) {
                $bound = self::send(
                    $switch->open($books[0], $known, $push->technician->name),
                    $step,
                    "{$push->id}-{$step->position}",
                );
                $known = $bound === null ? $known : $known->with(Reference::parse($step->object), $bound);
                $isOver = microtime(true) >= $until;
                // What was done is written down together with what is to be done next.
                $step = $this->inScope($push, function (TenantRow $tenant) use (
                    $push,
                    $step,
                    $books,
                    $bound,
                    $isOver,
                ): ?PushStep {
                    $this->record($tenant, $push, $step, $books[0], $bound);

                    return $isOver ? null : $this->intend($push);
                });
                if ($isOver) {
                    $this->inScope($push, fn (): null => $this->releaseLease($push));

                    return 0;
                }
            }

            return $this->finish($push);
        } catch (SwitchTrouble $trouble) {
            return $this->after($tenantId, $technicianId, $pushId, $trouble);
        } catch (CustomerNotFound | AccessDenied) {
            // The grant ran out or was taken back meanwhile: nobody is left to act for.
            $this->abandon($tenantId, $pushId);

            return null;
        }
    }

    /** @return Push|int|null the push; seconds to wait where another worker holds it; null where it has ended */
    private function claim(string $tenantId, string $technicianId, string $pushId): Push|int|null
    {
        return $this->scope->tenant(
            $technicianId,
            $tenantId,
            Ability::Push,
            function () use ($tenantId, $pushId): Push|int|null {
                // By the database's clock, which every worker shares, whichever machine it runs on.
                $push = Push::query()->where('tenant_id', $tenantId)->whereKey($pushId)->lockForUpdate()
                    ->select()
                    ->selectRaw('ceil(extract(epoch from lease_until - clock_timestamp()))::int as held_for')
                    ->first();
                if ($push === null || ! $push->status->isUnderWay()) {
                    return null;
                }
                $heldFor = $push->getAttribute('held_for');
                if (is_int($heldFor) && $heldFor > 0) {
                    return $heldFor;
                }
                $this->extendLease($push);

                return $push;
            },
        );
    }

    private function plan(Push $push): void
    {
        $reading = $this->live->read($push->technician_id, $push->tenant_id);
        $this->inScope($push, function (TenantRow $tenant) use ($push, $reading): void {
            $current = Push::query()->where('tenant_id', $push->tenant_id)
                ->whereKey($push->id)
                ->lockForUpdate()
                ->firstOrFail();
            if ($current->status !== PushStatus::Queued) {
                // Reading took longer than the lease, and another worker was quicker; or somebody stopped the push.
                return;
            }
            $this->extendLease($current);
            $book = $this->books->at($push->tenant_id, $push->revision);
            $compared = $reading === null ? null : $this->comparer->compare($tenant, $book, $reading->live);
            $sheet = $compared === null
                ? Planner::plan(null, $this->switches->of($tenant)->capabilities()->of($book))
                : Planner::plan($compared->live, $compared->target);
            $this->sheets->write($push, $sheet, $book, $reading);
            Push::query()->where('tenant_id', $push->tenant_id)->whereKey($push->id)->update(
                ['status' => PushStatus::Running, 'attempts' => 0],
            );
        });
    }

    /**
     * The switch, and what is known to stand on it: read once a slice, in which nobody else writes there.
     *
     * @param  non-empty-list<Book>  $books  the pinned one, which never changes, and the head, which names what is to
     *     be deleted
     * @return array{SwitchConnector, Bindings}
     */
    private function asKnown(Push $push, TenantRow $tenant, array $books): array
    {
        $switch = $this->switches->of($tenant);

        return [
            $switch,
            $this->sheets->withForeign($push, $this->bindings->load($tenant->id, $switch->name(), $books)),
        ];
    }

    /** Marks the next step as sent, in the customer's scope; null where none is left or the push was stopped. */
    private function intend(Push $push): ?PushStep
    {
        $current = Push::query()->where('tenant_id', $push->tenant_id)
            ->whereKey($push->id)
            ->lockForUpdate()
            ->firstOrFail();
        $step = PushStep::query()->where('tenant_id', $push->tenant_id)->where('push_id', $push->id)
            ->whereIn('status', [StepStatus::Waiting, StepStatus::Sent])->orderBy('position')->first();
        if (! $current->status->isUnderWay() || $step === null) {
            return null;
        }
        $this->extendLease($current);
        $this->step($step, [
            'status' => StepStatus::Sent, 'attempts' => $step->attempts + 1, 'sent_at' => $this->clock->now(),
            'error' => null,
        ]);

        return $step;
    }

    private static function send(SwitchSession $session, PushStep $step, string $key): ?Bound
    {
        $object = Reference::parse($step->object);
        switch ($step->kind) {
            case StepKind::Create:
                return $session->create($object, $step->fields, $key);
            case StepKind::Update:
            case StepKind::Link:
                return $session->update($object, $step->fields, $step->expected, $key);
            case StepKind::Delete:
                $session->delete($object, $key);

                return null;
        }
    }

    private function record(TenantRow $tenant, Push $push, PushStep $step, Book $book, ?Bound $bound): void
    {
        $id = $book->find(Reference::parse($step->object))?->id();
        if ($id !== null && $bound !== null) {
            $this->bindings->put($tenant->id, $tenant->connector, $id, $bound);
        }
        if ($step->kind === StepKind::Delete) {
            $this->sheets->forget($step);
        }
        $this->step($step, ['status' => StepStatus::Done, 'done_at' => $this->clock->now(), 'error' => null]);
        // What stood in the way before is over: only troubles in a row count towards giving up.
        if ($push->attempts > 0) {
            Push::query()->where('tenant_id', $push->tenant_id)->whereKey($push->id)->update(['attempts' => 0]);
            $push->attempts = 0;
        }
    }

    /** Tells the switch the secrets it has not been told yet, of what it knows by now. */
    private function sendSecrets(Push $push): void
    {
        [$book, $bindings, $session, $unsent, $registrations] = $this->inScope($push, function (
            TenantRow $tenant,
        ) use ($push): array {
            $book = $this->books->at($tenant->id, $push->revision);
            $switch = $this->switches->of($tenant);
            $known = $this->bindings->load($tenant->id, $switch->name(), [$book]);
            $takes = $switch->capabilities()->takesSecrets;

            return [
                $book, $known, $switch->open($book, $known, $push->technician->name),
                $takes ? $this->secrets->unsent($tenant->id) : [],
                $takes && $switch->capabilities()->holds(Kind::Device)
                    ? $this->secrets->registrations($tenant->id, $push->technician_id, $book)
                    : [],
            ];
        });
        foreach ($unsent === [] && $registrations === [] ? [] : $book->objects() as $object) {
            $pin = SecretKeeper::isSetIn($object) ? $unsent[$object->id() ?? ''] ?? null : null;
            $secret = $registrations[$object->id() ?? ''] ?? $pin;
            $reference = Reference::of($object);
            if ($secret !== null && $bindings->of($reference) !== null) {
                $field = $secret === $pin ? 'pin' : SecretKeeper::REGISTRATION;
                $key = "{$field}-{$object->id()}-{$secret['version']}";
                $session->setSecret($reference, $field, $secret['value'], $key);
                $this->inScope($push, function () use ($push, $object, $secret): void {
                    $this->extendLease($push);
                    $this->secrets->sent($push->tenant_id, (string) $object->id(), $secret['version']);
                });
            }
        }
    }

    /** Reads back and compares; anything left over stops the push with what it is. */
    private function finish(Push $push): null
    {
        $this->sendSecrets($push);
        $reading = $this->live->read($push->technician_id, $push->tenant_id);
        $this->inScope($push, function (TenantRow $tenant) use ($push, $reading): void {
            $current = Push::query()->where('tenant_id', $push->tenant_id)
                ->whereKey($push->id)
                ->lockForUpdate()
                ->firstOrFail();
            if (! $current->status->isUnderWay()) {
                return;
            }
            $book = $this->books->at($push->tenant_id, $push->revision);
            $left = $reading === null
                ? []
                : $this->sheets->inScope(
                    $push,
                    $this->comparer->compare($tenant, $book, $reading->live)->drift,
                );
            if ($reading === null || $left !== []) {
                $this->end(
                    $push,
                    PushStatus::Stopped,
                    $reading === null ? 'the switch no longer knows this customer' : RunSheetStore::leftOver($left),
                );

                return;
            }
            // Since the reading the book may have gone on: what was pushed is what was agreed on.
            $this->comparer->settle($tenant, $book, $reading->live);
            $this->end($push, PushStatus::Done, null);
            if ($push->scope === null) {
                $this->summaries->pushed($push->tenant_id, $push->revision, $this->books->head($push->tenant_id));
            }
        });

        return null;
    }

    /** @return ?int seconds until the next try; null where the push has been stopped */
    private function after(string $tenantId, string $technicianId, string $pushId, SwitchTrouble $trouble): ?int
    {
        return $this->scope->tenant(
            $technicianId,
            $tenantId,
            Ability::Push,
            function () use ($tenantId, $pushId, $trouble): ?int {
                $push = Push::query()->where('tenant_id', $tenantId)->whereKey($pushId)->lockForUpdate()->firstOrFail();
                $step = PushStep::query()->where('tenant_id', $tenantId)
                    ->where('push_id', $pushId)
                    ->where('status', StepStatus::Sent)
                    ->orderBy('position')
                    ->first();
                $tries = $step === null ? $push->attempts + 1 : $step->attempts;
                Push::query()->where('tenant_id', $tenantId)->whereKey($pushId)->update(
                    ['attempts' => $push->attempts + 1],
                );
                $this->releaseLease($push);
                if ($trouble->temporary && $tries < self::MOST_ATTEMPTS) {
                    if ($step !== null) {
                        $this->step($step, ['error' => $trouble->getMessage()]);
                    }

                    return $trouble->waitSeconds;
                }
                if ($step !== null) {
                    $this->step($step, ['status' => StepStatus::Failed, 'error' => $trouble->getMessage()]);
                }
                $this->end($push, PushStatus::Stopped, $trouble->getMessage());

                return null;
            },
        );
    }

    /** Ends a push whose work failed here, not at the switch, as often as it was tried. */
    public function giveUp(string $tenantId, string $technicianId, string $pushId): void
    {
        try {
            $this->scope->tenant($technicianId, $tenantId, Ability::Push, function () use ($tenantId, $pushId): void {
                $push = Push::query()->where('tenant_id', $tenantId)->whereKey($pushId)->lockForUpdate()->first();
                if ($push?->status->isUnderWay() === true) {
                    $this->end(
                        $push,
                        PushStatus::Stopped,
                        'This house could not go on with it: what stood in the way is in its log, under failed jobs. '
                            . 'What was sent stands; push again to go on.',
                    );
                }
            });
        } catch (CustomerNotFound | AccessDenied) {
            $this->abandon($tenantId, $pushId);
        }
    }

    private function abandon(string $tenantId, string $pushId): void
    {
        $this->db->transaction(function () use ($tenantId, $pushId): void {
            $this->db->select("select set_config('app.now', ?, true)", [
                $this->clock->now()->format(\DateTimeInterface::ATOM),
            ]);
            $this->db->select('select roster_end_push(?, ?, ?)', [
                $tenantId,
                $pushId,
                'Whoever began it may not push here any more. What was sent stands; push again to go on.',
            ]);
        });
    }

    private function end(Push $push, PushStatus $status, ?string $reason): void
    {
        Push::query()->where('tenant_id', $push->tenant_id)->whereKey($push->id)->update([
            'status' => $status, 'reason' => $reason, 'ended_at' => $this->clock->now(), 'lease_until' => null,
        ]);
    }

    private function extendLease(Push $push): void
    {
        Push::query()->where('tenant_id', $push->tenant_id)->whereKey($push->id)
            ->update(
                ['lease_until' => $this->db->raw("clock_timestamp() + interval '" . self::LEASE_SECONDS . " seconds'")],
            );
    }

    private function releaseLease(Push $push): null
    {
        Push::query()->where('tenant_id', $push->tenant_id)->whereKey($push->id)->update(['lease_until' => null]);

        return null;
    }

    /** @param array<string, mixed> $values */
    private function step(PushStep $step, array $values): void
    {
        PushStep::query()->where('tenant_id', $step->tenant_id)
            ->where('push_id', $step->push_id)
            ->where('position', $step->position)
            ->update($values);
    }

    /**
     * @template T
     *
     * @param  callable(TenantRow): T  $work
     * @return T
     */
    private function inScope(Push $push, callable $work): mixed
    {
        return $this->scope->tenant($push->technician_id, $push->tenant_id, Ability::Push, $work);
    }
}
