/** How large a meal may be, and its minutes. */
export const SCHEDULE_LIMITS = Object.freeze({
  dishes: 12,
  tasks: 20,
  burners: 8,
  appliances: 8,
  cooks: [1, 4],
  task_minutes: [1, 1440],
  hold_max_minutes: [0, 480],
  oven: [0, 4],
  look_in_every_min: [2, 240],
  fixed: 60,
  published: 400,
  wait_most_minutes: [0, 1440],
} as const)
