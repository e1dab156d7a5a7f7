<?php

declare(strict_types=1);

namespace App\Places;

use App\Access\Scope;
use App\Activity\ActivityLog;
use App\Files\FileKind;
use App\Files\GivenFile;
use App\Files\RowFiles;
use App\Models\Ability;
use App\Models\FloorPlan;
use App\Models\TenantRow;
use App\Time\Clock;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Str;

/** Pictures of floors, on which workplaces are pinned. */
final readonly class PlanDesk
{
    /** Dots along a side: beyond it a browser draws nothing. */
    private const MOST_DOTS = 16_000;

    public function __construct(
        private Scope $scope,
        private SitesInView $sites,
        private RowFiles $files,
        private ActivityLog $log,
        private Clock $clock,
        private ConnectionInterface $db,
    ) {
    }

    /**
     * Takes the place of the one before.
     *
     * @param  string  $floor  its item
     */
    public function put(string $technicianId, string $customer, string $key, string $floor, string $bytes): void
    {
        $this->scope->tenant($technicianId, $customer, Ability::Edit, function (TenantRow $tenant) use (
            $technicianId,
            $key,
            $floor,
            $bytes,
        ): void {
            [$kind, $width, $height] = self::read($bytes);
            $site = SitesInView::site($this->sites->shown($tenant, $technicianId), $key);
            if (! in_array($floor, array_column($site->floors, 'item'), true)) {
                throw SiteTrouble::noFloor($site, $floor);
            }
            $siteId = $site->id ?? throw SiteTrouble::notEntered($site);
            FloorPlan::query()->where('tenant_id', $tenant->id)->where('site_id', $siteId)->where('floor', $floor)
                ->delete();
            $this->db->insert(
                'insert into floor_plans (tenant_id, id, site_id, floor, type, width, height, put_by, put_at, bytes, '
                    . 'disk, path) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ' . RowFiles::COLUMNS . ')',
                [
                    $tenant->id, (string) Str::uuid(), $siteId, $floor, $kind->value, $width, $height, $technicianId,
                    $this->clock->now()->format(\DateTimeInterface::ATOM),
                    ...$this->files->put('plans', $bytes, $kind),
                ],
            );
            $this->log->noteOf($tenant->id, $technicianId, 'put the plan of a floor', [
                'site' => $key, 'floor' => $floor,
            ]);
        });
    }

    public function remove(string $technicianId, string $customer, string $id): void
    {
        $this->scope->tenant($technicianId, $customer, Ability::Edit, function (TenantRow $tenant) use (
            $technicianId,
            $id,
        ): void {
            $plan = self::plan($tenant, $id);
            FloorPlan::query()->where('tenant_id', $tenant->id)->where('id', $id)->delete();
            $this->log->noteOf($tenant->id, $technicianId, 'took the plan of a floor away', ['floor' => $plan->floor]);
        });
    }

    /** @return array{FloorPlan, string} with its bytes */
    public function get(string $technicianId, string $customer, string $id): array
    {
        return $this->scope->tenant($technicianId, $customer, Ability::Read, function (TenantRow $tenant) use (
            $id,
        ): array {
            $plan = self::plan($tenant, $id);

            return [$plan, $this->files->get('floor_plans', $tenant->id, $id, $plan->disk, $plan->path)
                ?? throw new ModelNotFoundException()];
        });
    }

    private static function plan(TenantRow $tenant, string $id): FloorPlan
    {
        return FloorPlan::query()->where('tenant_id', $tenant->id)->where('id', $id)->select(FloorPlan::COLUMNS)
            ->firstOrFail();
    }

    /**
     * A picture by what is in it.
     *
     * @return array{FileKind, int, int} with its width and height
     */
    private static function read(string $bytes): array
    {
        $whyNot = GivenFile::whyNot($bytes);
        if ($whyNot !== null) {
            throw SiteTrouble::file($whyNot);
        }
        $kind = FileKind::of($bytes);
        $size = $kind === null || $kind === FileKind::Pdf ? false : @getimagesizefromstring($bytes);
        if ($kind === null || $size === false || $size[0] < 1 || $size[1] < 1) {
            throw SiteTrouble::noPlan();
        }

        return max($size[0], $size[1]) > self::MOST_DOTS
            ? throw SiteTrouble::widePlan($size[0], $size[1], self::MOST_DOTS)
            : [$kind, $size[0], $size[1]];
    }
}
