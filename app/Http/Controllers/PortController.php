<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\PortRow;
use App\Stock\PortDesk;
use App\Stock\PortRequest;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Book\Number;

/** Numbers on their way from another carrier. */
final class PortController extends Controller
{
    public function __construct(private readonly PortDesk $ports, private readonly Clock $clock)
    {
    }

    public function index(Request $request, string $customer): JsonResponse
    {
        return $this->told($this->technician($request)->id, $customer);
    }

    /** Reads them from the carrier. */
    public function read(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request)->id;
        $this->ports->read($technician, $customer);

        return $this->told($technician, $customer);
    }

    public function store(Request $request, string $customer): JsonResponse
    {
        $technician = $this->technician($request)->id;
        $today = $this->clock->now()->format('Y-m-d');
        /**
         * @var array{reference: string, numbers: list<string>, name: string, street: string, postcode: string,
         *     losingCarrier: string, account: string, day: string} $given
         */
        $given = $request->validate([
            'reference' => ['required', 'uuid'],
            'numbers' => ['required', 'array', 'min:1', 'max:500'],
            'numbers.*' => ['required', 'string', 'regex:' . Number::E164, 'distinct'],
            'name' => ['required', 'string', 'max:200'],
            'street' => ['required', 'string', 'max:200'],
            'postcode' => ['required', 'string', 'max:20'],
            'losingCarrier' => ['required', 'string', 'max:100'],
            'account' => ['required', 'string', 'max:60'],
            'day' => ['bail', 'required', 'string', 'date_format:Y-m-d', "after:{$today}"],
        ], [
            'numbers.required' => 'Choose the numbers that come over.',
            'numbers.*.regex' => 'A number stands here as +19025550100.',
            'name.required' => 'Whom the bill is for.', 'street.required' => 'The address on the bill.',
            'postcode.required' => 'The postcode on the bill.',
            'losingCarrier.required' => 'Where the numbers are now.', 'account.required' => 'The account on the bill.',
            'day.required' => 'The day it is wanted on.', 'day.date_format' => 'A date is wanted, such as 2026-12-31.',
            'day.after' => 'This day is past, or today.',
        ]);
        $this->ports->ask($technician, $customer, $given['reference'], new PortRequest(
            $given['numbers'],
            $given['name'],
            $given['street'],
            $given['postcode'],
            $given['losingCarrier'],
            $given['account'],
            $given['day'],
        ));

        return $this->told($technician, $customer, 201);
    }

    private function told(string $technician, string $customer, int $status = 200): JsonResponse
    {
        $orders = $this->ports->ofCustomer($technician, $customer);

        return new JsonResponse(['ports' => array_map(static fn (PortRow $port): array => [
            'id' => $port->id, 'numbers' => $port->numbers, 'name' => $port->name, 'street' => $port->street,
            'postcode' => $port->postcode, 'losingCarrier' => $port->losing_carrier,
            'account' => $port->account, 'day' => $port->day, 'state' => $port->state->value, 'remark' => $port->remark,
            'readAt' => $port->read_at->toAtomString(),
        ], $orders)], $status);
    }
}
