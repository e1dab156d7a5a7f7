<?php

declare(strict_types=1);

namespace App\Console;

use App\Activity\ActivityLog;
use App\CallerIdentity\IdentityDesk;
use App\Models\Technician;
use App\Ports\PortDesk;
use App\Stock\CarrierTrouble;
use App\Stock\OrderDesk;
use App\Time\Clock;
use Illuminate\Console\Command;
use Illuminate\Database\ConnectionInterface;

/**
 * Moves numbers on by their dates: those that have rested are free, reservations and loans that ended are over. In
 * somebody's name the carrier is asked as well about what it has not answered or not delivered.
 */
final class MoveNumbers extends Command
{
    protected $signature = 'roster:numbers {--as= : the sign-in of whoever may order for every customer}';

    protected $description = 'Move numbers on by their dates, and ask the carrier about orders that are not settled';

    public function handle(
        ConnectionInterface $db,
        Clock $clock,
        ActivityLog $log,
        OrderDesk $orders,
        PortDesk $ports,
        IdentityDesk $names,
    ): int {
        $row = $db->transaction(static function () use ($db, $clock): mixed {
            $db->select("select set_config('app.now', ?, true)", [$clock->now()->format(\DateTimeInterface::ATOM)]);

            return $db->selectOne('select stock_by_night() as told');
        });
        /** @var array{rested?: int, lapsed?: int} $told */
        $told = is_object($row) && is_string($row->told ?? null)
            ? (array) json_decode($row->told, true, flags: JSON_THROW_ON_ERROR)
            : [];
        if (array_sum($told) > 0) {
            $log->note(null, 'moved numbers on by their dates', $told);
        }
        $this->line(($told['rested'] ?? 0) . ' have rested, ' . ($told['lapsed'] ?? 0)
            . ' are reserved or lent no longer');
        $as = $this->option('as');
        $by = is_string($as) ? Technician::query()->whereNull('closed_at')->where('sign_in', $as)->first() : null;
        if (is_string($as) && $by === null) {
            $this->error("There is nobody with the sign-in {$as}.");

            return self::FAILURE;
        }
        if ($by !== null) {
            $this->line($orders->settle($by) . ' were delivered');
            try {
                $this->line($ports->followAll($by->id) . ' customers with numbers on their way');
                $this->line($names->readAll($by->id) . ' customers with names or texting filed');
            } catch (CarrierTrouble $trouble) {
                $this->error($trouble->getMessage());

                return self::FAILURE;
            }
        }

        return self::SUCCESS;
    }
}
